/** Hours of weather: from a file with columns, or from the forecast. */
import { useState } from 'react';
import { FileTrigger } from 'react-aria-components';
import { weatherOf } from '#core/bench/weatherTable.ts';
import { InputError } from '#core/bench/input.ts';
import type { WeatherHour } from '#core/bench/findPaintWindow.ts';
import { Button } from '../../ui/Button.tsx';
import { Head, Now, Quiet, Row, Stack } from '../../ui/parts.tsx';
import { playedForecast } from './forecast.ts';
import type { BenchForm } from './useBenchForm.ts';

const FORECAST_HOURS = 72;
const MOST_BYTES = 1_000_000;

export function WeatherHours({ bench }: { bench: BenchForm }) {
  const [fault, setFault] = useState('');
  const [from, setFrom] = useState('');
  const count = Number(bench.form['hours#'] ?? 0) || 0;
  const put = (hours: readonly WeatherHour[], source: string): void => {
    const rest = Object.fromEntries(Object.entries(bench.form).filter(([path]) => !path.startsWith('hours')));
    const rows = hours.flatMap((h, i) => [
      [`hours[${i}].air_C`, String(h.air_C)],
      [`hours[${i}].rh_pct`, String(h.rh_pct)],
      [`hours[${i}].rain_mm`, String(h.rain_mm ?? 0)],
    ]);
    bench.fill({ ...rest, ...Object.fromEntries(rows), 'hours#': String(hours.length) });
    setFault('');
    setFrom(source);
  };
  const read = async (file: File): Promise<void> => {
    try {
      if (file.size > MOST_BYTES)
        throw new InputError('hours', 'out_of_range', 'This file is too large: at most 1 MB.');
      const text = await file.text();
      const { parse } = await import('csv-parse/browser/esm/sync');
      const delimiter = text.split('\n')[0]!.includes(';') ? ';' : ',';
      put(
        weatherOf(
          parse(text, {
            delimiter,
            bom: true,
            skip_empty_lines: true,
            trim: true,
            relax_column_count: true,
          }) as string[][],
        ),
        file.name,
      );
    } catch (error) {
      setFault(error instanceof InputError ? error.message : 'This file could not be read as a table.');
    }
  };
  return (
    <Stack>
      <Head>Hours of weather</Head>
      <Row>
        <FileTrigger
          acceptedFileTypes={['text/csv', '.csv', '.txt']}
          onSelect={(files) => files?.[0] && void read(files[0])}
        >
          <Button>Take a file (CSV)</Button>
        </FileTrigger>
        <Button
          onPress={() =>
            void playedForecast.hours(FORECAST_HOURS).then((h) => put(h, 'a played forecast (stand-in)'))
          }
        >
          Take the played forecast (stand-in)
        </Button>
        <Quiet role="status">
          {count > 1 ? `${count} hours${from === '' ? '' : ` from ${from}`}` : 'none yet'}
        </Quiet>
      </Row>
      <Quiet>Columns: air in °C, humidity in %, rain in mm (may be missing), a line for every hour.</Quiet>
      {fault && <Now role="alert">{fault}</Now>}
    </Stack>
  );
}
