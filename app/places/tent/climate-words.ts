import type { Channel } from '../../../core/index';

interface ChannelWords {
  readonly word: string;
  readonly unit: string;
  readonly digits: number;
}

/** How each channel is called and written beside the tent. */
export const CLIMATE_WORDS: Readonly<Record<Channel, ChannelWords>> = {
  airC: { word: 'Air', unit: '°C', digits: 1 },
  humidityPercent: { word: 'Humidity', unit: '%', digits: 0 },
  co2Ppm: { word: 'CO₂', unit: 'ppm', digits: 0 },
  lightLux: { word: 'Light', unit: 'lux', digits: 0 },
  massG: { word: 'Mass', unit: 'g', digits: 0 },
  ph: { word: 'pH', unit: '', digits: 2 },
  gaugeKPa: { word: 'Gauge', unit: 'kPa', digits: 0 },
  chamberC: { word: 'Chamber', unit: '°C', digits: 1 },
  coreC: { word: 'Middle', unit: '°C', digits: 1 },
  agarC: { word: 'Agar', unit: '°C', digits: 1 },
};
