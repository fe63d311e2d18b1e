/** Weather of the hours to come. The one that ships is a stand-in; a weather service goes behind the same interface. */
import type { WeatherHour } from '#core/bench/findPaintWindow.ts';

export interface Forecast {
  name: string;
  isPlayed: boolean;
  hours: (count: number) => Promise<WeatherHour[]>;
}

/** Made-up days of spring: cool and damp by night, a shower on the second afternoon. Always the same. */
export const playedForecast: Forecast = {
  name: 'a played forecast',
  isPlayed: true,
  hours: async (count) =>
    Array.from({ length: count }, (_, i) => {
      const ofDay = Math.cos(((i % 24) - 15) * (Math.PI / 12));
      const day = Math.floor(i / 24);
      const rain = day === 1 && i % 24 >= 13 && i % 24 < 17 ? 0.8 : 0;
      return {
        air_C: Math.round((14 + day + 6 * ofDay) * 10) / 10,
        rh_pct: Math.min(100, Math.round(70 - 18 * ofDay + (rain > 0 ? 22 : 0))),
        rain_mm: rain,
      };
    }),
};
