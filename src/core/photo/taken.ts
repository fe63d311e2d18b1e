/** When a photograph was taken, by the picture's own data. */
import { instantOf } from '../time/zones.ts';

const DATE_TIME = /^(\d{4})[:-](\d\d)[:-](\d\d)[ T](\d\d):(\d\d):(\d\d)/;
/** Before this there were no cameras that write it: an unset clock. */
const EARLIEST_YEAR = '1990';
const OFFSET = /^([+-])(\d\d):(\d\d)$/;

/**
 * The instant of an Exif DateTimeOriginal ("2026:11:25 14:03:07"; Exif 2.32, CIPA DC-008, 4.6.5 F), read with its
 * OffsetTimeOriginal ("+01:00") where the camera gives one, else as the shop's own time. Null for what is no date, and
 * for one after `now`: a camera whose clock is wrong is not believed.
 */
export function takenAt(
  dateTime: string | undefined,
  offset: string | undefined,
  timeZone: string,
  now: string,
): string | null {
  const read = DATE_TIME.exec(dateTime ?? '');
  if (!read) return null;
  const [, year, month, day, hour, minute, second] = read;
  const day_ = `${year}-${month}-${day}`;
  const time = `${hour}:${minute}:${second}`;
  const zone = OFFSET.exec(offset ?? '');
  const ms = zone
    ? Date.parse(`${day_}T${time}${zone[0]}`)
    : Date.parse(instantOf(day_, time, timeZone) ?? '');
  if (Number.isNaN(ms) || year! < EARLIEST_YEAR) return null;
  const instant = new Date(ms).toISOString();
  return instant > now ? null : instant;
}
