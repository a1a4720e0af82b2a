import { format, parseISO } from 'date-fns';
import { holdWords } from '../../data/words/heat-words';
import {
  TRADE_GAUGE_KPA,
  formatNumber,
  pricePerKgOf,
  usesOf,
  type BatchCost,
  type CookPlan,
  type Material,
  type Reason,
  type ScaledFormula,
  type ToBuy,
  type TreatmentAdvice,
  type VesselType,
} from '../../../core/index';
import { amountWords, pressureWords, temperatureWords } from '../../data/words/measure-words';
import { moneyWords } from '../../data/words/words';

export function reasonForHold(cook: CookPlan): Reason {
  return {
    title: `Why ${cook.holdMinutes} min`,
    steps: [
      {
        text: `The trade's hold at ${pressureWords(TRADE_GAUGE_KPA)} at the sea, ${cook.trade.words}`,
        result: `${cook.schoolMinutes} min`,
      },
      { text: 'your pressure, where you are', result: temperatureWords(cook.chamberC, 1) },
      {
        text: 'for the same heat in the middle of these vessels',
        result: holdWords(cook.relativeMinutes),
      },
      cook.basis === 'measured'
        ? {
            text: 'by what was measured in such vessels: F0 12 for nine in ten, up to five minutes',
            result: `${cook.holdMinutes} min`,
          }
        : { text: 'rounded up to five minutes', result: `${cook.holdMinutes} min` },
    ],
    likely: `Practice runs ${cook.trade.least} to ${cook.trade.most} min at the sea.`,
    source:
      'Hold: common practice, no source. Steam: IAPWS-IF97. F0 with z = 10 °C: ISO 17665. Heat to the middle: conduction with films, the same on both sides of the comparison.',
    narrow: 'Log a probe in the middle of one jar, or cook an indicator with it',
  };
}

export function reasonForTreatment(advice: TreatmentAdvice, scaled: ScaledFormula): Reason {
  return {
    title: advice.treatment === 'sterilize' ? 'Why sterilize' : 'Why pasteurize',
    steps: scaled.parts.map((p) => ({
      text: p.material.name,
      result:
        p.material.nitrogen === undefined
          ? 'nitrogen not known'
          : `${formatNumber(p.material.nitrogen.value * 100, 2)} % N`,
    })),
    likely: advice.reason,
    source:
      'Common practice, no source. The choice stays yours; it decides what the Stove does with the batch.',
  };
}

export function reasonForCost(cost: BatchCost, scaled: ScaledFormula, currency: string): Reason {
  const money = (value: number) => moneyWords(value, currency);
  return {
    title: `Why ${money(cost.total)}`,
    steps: [
      ...scaled.parts.flatMap(({ material, massG }) => {
        const pricePerKg = pricePerKgOf(material);
        return pricePerKg === undefined
          ? []
          : [
              {
                text: `${material.name}, ${packageWords(material, pricePerKg, currency)}`,
                result: money((pricePerKg * massG) / 1000),
              },
            ];
      }),
      ...(cost.vessels === 0
        ? []
        : [{ text: vesselPriceWords(scaled.vessel, currency), result: money(cost.vessels) }]),
      { text: 'cooks', result: money(cost.cooks) },
      { text: `for ${scaled.count}, each`, result: money(cost.each) },
    ],
    ...(cost.bought && {
      likely: `Bought, one is ${money(cost.bought.each)}: ${cost.bought.saved >= 0 ? 'saved' : 'lost'} ${money(Math.abs(cost.bought.saved))}.`,
    }),
    source:
      cost.unpriced.length === 0
        ? 'Your prices.'
        : `Your prices; none is given for ${cost.unpriced.join(', ')}.`,
    ...(cost.unpriced.length > 0 && { narrow: 'Give the prices under Materials' }),
  };
}

function packageWords({ bought }: Material, pricePerKg: number, currency: string): string {
  return bought === undefined
    ? `${moneyWords(pricePerKg, currency)} a kg`
    : `${moneyWords(bought.price, currency)} for ${amountWords(bought.massG)}${boughtOnWords(bought.on)}`;
}

function vesselPriceWords(vessel: VesselType, currency: string): string {
  const { name, boughtPack } = vessel;
  const each = boughtPack && moneyWords(boughtPack.price / boughtPack.count, currency);
  const uses = usesOf(vessel);
  return `${name}, ${each ?? ''} each${uses === 1 ? '' : `, filled ${uses} times`}${boughtOnWords(boughtPack?.on)}`;
}

function boughtOnWords(on: string | undefined): string {
  return on === undefined ? '' : `, ${format(parseISO(on), 'd MMM yyyy')}`;
}

/** What the batch needs, what is there, and what is missing. */
export function reasonForShopping(list: readonly ToBuy[]): Reason {
  const missing = list.filter((b) => b.missingG > 0);
  return {
    title: missing.length === 0 ? 'Nothing to buy' : 'To buy',
    steps: list.map((b) => ({
      text: `${b.name}: ${amountWords(b.needG)}${b.haveG === undefined ? ', never counted' : `, ${amountWords(b.haveG)} there`}`,
      result: b.missingG > 0 ? amountWords(b.missingG) : 'enough',
    })),
    source: 'Counted stock, less what batches took since. What was never counted is listed whole.',
    ...(list.some((b) => b.haveG === undefined) && { narrow: 'Count the shelf under Materials' }),
  };
}
