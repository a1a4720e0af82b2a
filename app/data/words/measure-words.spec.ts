import { CoreError, METRIC_UNITS } from '../../../core/index';
import { inDegrees } from './in-degrees';
import {
  amountWords,
  degreesWords,
  doseWords,
  fieldText,
  figureWords,
  heavyWords,
  literWords,
  measureWords,
  stepWords,
  temperatureRange,
  temperatureWords,
  unitsShown,
  volumeWords,
  weighedWords,
} from './measure-words';
import { refusalWords } from './refusal-words';
import { KITCHEN_UNITS } from '../../testing/kitchen-units';

describe('figures in the units of a household', () => {
  afterEach(() => {
    unitsShown.set(METRIC_UNITS);
  });

  it('are metric until others are chosen', () => {
    expect(temperatureWords(120.96, 1)).toBe('121.0 °C');
    expect(temperatureRange(65, 80)).toBe('65 to 80 °C');
    expect([volumeWords(440), volumeWords(1524), literWords(2450)]).toEqual(['440 ml', '1.52 l', '2.5 l']);
    expect([amountWords(4.4), weighedWords(471.4, 1), heavyWords(1250)]).toEqual([
      '4.4 g',
      '471 g',
      '1.25 kg',
    ]);
    expect([stepWords(1), fieldText(20.5, '°C')]).toEqual(['1 g', '20.5']);
  });

  it('are then in those, with as many digits as tell as much', () => {
    unitsShown.set(KITCHEN_UNITS);
    // 121.1 °C is 250 °F, 240 °F the temperature that canning guides ask for at 115.56 °C.
    expect(temperatureWords(121.1)).toBe('250 °F');
    expect(temperatureWords(115.56, 1)).toBe('240.0 °F');
    expect(temperatureRange(65, 80)).toBe('149 to 176 °F');
    // A difference has no zero: 15 °C apart are 27 °F.
    expect(degreesWords(15, 0)).toBe('27 °F');
    expect([weighedWords(471.4, 1), weighedWords(28.349523, 1)]).toEqual(['16.63 oz', '1 oz']);
    expect([amountWords(100), amountWords(1982), heavyWords(1250)]).toEqual([
      '3.53 oz',
      '4.37 lb',
      '2.76 lb',
    ]);
    expect(measureWords(86, 'mm')).toBe('3.39 in');
    expect([fieldText(20, '°C'), fieldText(1013, 'hPa'), fieldText(1600, 'm')]).toEqual([
      '68',
      '1013',
      '5249',
    ]);
    expect(stepWords(1)).toBe('1 g, about 0.04 oz');
  });

  it('leave in milliliters what a syringe or a dish takes', () => {
    unitsShown.set(KITCHEN_UNITS);
    expect([volumeWords(20), doseWords(2.5, 'ml'), doseWords(100, 'g')]).toEqual([
      '20 ml',
      '2.5 ml',
      '3.53 oz',
    ]);
    // A US cup is 236.6 ml, a quart four of them.
    expect([volumeWords(440), volumeWords(1892.7)]).toEqual(['1.86 cups', '2 quarts']);
  });

  it('reach the sentences that ship, the reasons of core and what is refused', () => {
    const pour = 'Water at 65 to 80 °C over it, below 30 °C inside.';
    expect(inDegrees(pour)).toBe(pour);
    unitsShown.set(KITCHEN_UNITS);
    expect(inDegrees(pour)).toBe('Water at 149 to 176 °F over it, below 86 °F inside.');
    const { mass, massSign, volumeSign } = figureWords(1);
    expect([mass(471.4, 1), massSign, volumeSign]).toEqual(['16.63 oz', 'oz', 'cups']);
    const tooHot = new CoreError('out-of-range', {
      field: 'room',
      min: 5,
      max: 40,
      unit: ' °C',
      value: -20 / 3,
      perhaps: { unit: 'C', value: 20 },
    });
    expect(refusalWords(tooHot)).toBe(
      'Room must be between 41 and 104 °F. You gave 20 °F. 20 °C would be 68.0 °F: if you mean that, type 20 °C.',
    );
    const unclear = new CoreError('which-unit', {
      field: 'room',
      unit: ' °C',
      value: 84,
      perhaps: { unit: 'F', value: 28.9 },
    });
    unitsShown.set(METRIC_UNITS);
    expect(refusalWords(unclear)).toBe(
      'Room: is 84 in °C, or in °F, which would be 28.9 °C? Type the unit behind it.',
    );
  });
});
