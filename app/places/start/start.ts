import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  linkedSignal,
  signal,
} from '@angular/core';
import { MatButton } from '@angular/material/button';
import { Router } from '@angular/router';
import {
  TRADE_GAUGE_KPA,
  atmosphericPressure,
  convert,
  defaultHousehold,
  formatNumber,
  planCook,
  householdAtmosphereKPa,
  pressureMeanings,
  usualGaugeKPa,
  requirePrintedPressure,
  resolveFormula,
  scaleFormula,
  shippedDefinitions,
  tradeChamberC,
  unitChoices,
  type Appliance,
  type Household,
  type PressureKind,
  type Records,
  unlessRefused,
  requireWithin,
} from '../../../core/index';
import {
  amountWords,
  figureOf,
  literFigure,
  literWords,
  pressureWords,
  stepWords,
  temperatureWords,
  type Figure,
  unitsShown,
  weighedFigure,
} from '../../data/words/measure-words';
import { lastKnown } from '../../data/views/last-known';
import { messageOf } from '../../data/words/message-of';
import { ArchiveService } from '../../data/work/archive-service';
import { Definitions } from '../../data/journal/definitions';
import { vesselCount } from '../../data/words/words';
import { BlankChoice, BlankNumber } from '../../pieces/blank';
import { CannerDrawing } from '../../pieces/canner-drawing';
import { Emblem } from '../../pieces/emblem';
import { PressureBlank } from '../../pieces/pressure-blank';
import { PressureMeanings } from '../../pieces/pressure-meanings';

interface FirstPlan {
  readonly scaled: ReturnType<typeof scaleFormula>;
  readonly cook: ReturnType<typeof planCook>;
}

const SPARE = 0.05;
const FIRST_FORMULA = 'wheat-spawn';
const STEPS = ['0.1', '1', '5'] as const;

/** Four things that the numbers need, each with a default, and the plan that they give at once. */
@Component({
  selector: 'nw-start',
  imports: [BlankChoice, BlankNumber, CannerDrawing, Emblem, MatButton, PressureBlank, PressureMeanings],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './start.html',
  styleUrl: './start.scss',
})
export class Start {
  private readonly settings = inject(Definitions);
  private readonly archive = inject(ArchiveService);
  private readonly router = inject(Router);
  private readonly shipped = shippedDefinitions();

  protected readonly altitudeM = signal(0);
  protected readonly byBarometer = signal(false);
  protected readonly barometerHPa = signal(1013);
  protected readonly cookerId = signal('canner');
  protected readonly volumeL = signal(25);
  protected readonly ratedPsi = signal(15);
  /** Which pressure was said to be meant, where the figure leaves that open; another figure asks again. */
  protected readonly said = linkedSignal<number, PressureKind | undefined>({
    source: this.ratedPsi,
    computation: () => undefined,
  });
  protected readonly heat = signal<string>('gas');
  protected readonly count = signal(8);
  protected readonly vesselId = signal('quart-jar');
  protected readonly massUnit = signal<string>('g');
  protected readonly temperatureUnit = signal<string>('C');
  protected readonly step = signal<string>('1');
  protected readonly typed = signal<Readonly<Record<string, string>>>({});
  protected readonly failed = signal('');
  /** How much of an archive has come in; absent while none does. */
  protected readonly share = signal<number | undefined>(undefined);

  protected readonly vesselCount = vesselCount;
  protected readonly cookers = [
    { value: 'canner', words: 'stove-top canner' },
    { value: 'multi-cooker', words: 'electric multi-cooker' },
  ];
  protected readonly heats = [
    { value: 'gas', words: 'gas' },
    { value: 'electric', words: 'electric' },
    { value: 'induction', words: 'induction' },
  ];
  protected readonly vessels = this.shipped.vesselTypes
    .filter((v) => v.kind === 'jar')
    .map((v) => ({ value: v.id, words: v.plural }));
  protected readonly massUnits = [
    { value: 'g', words: 'grams' },
    { value: 'oz', words: 'ounces' },
  ];
  protected readonly temperatureUnits = [
    { value: 'C', words: '°C' },
    { value: 'F', words: '°F' },
  ];
  protected readonly steps = computed(() =>
    STEPS.map((value) => ({ value, words: stepWords(Number(value)) })),
  );

  private readonly household = computed<Household>(() => ({
    ...defaultHousehold(new Date().toISOString()),
    altitudeM: this.altitudeM(),
    barometerKPa: this.byBarometer() ? this.barometerHPa() / 10 : undefined,
    massUnit: this.massUnit() === 'oz' ? 'oz' : 'g',
    temperatureUnit: this.temperatureUnit() === 'F' ? 'F' : 'C',
    // Who weighs in ounces has cups in the drawer and inches on the ruler; the Ledger changes each by itself.
    volumeUnit: this.massUnit() === 'oz' ? 'cup' : 'ml',
    lengthUnit: this.massUnit() === 'oz' ? 'inch' : 'mm',
    scaleStepG: this.step() === '0.1' ? 0.1 : this.step() === '5' ? 5 : 1,
    usualVesselTypeId: this.vesselId(),
    usualCount: this.count(),
  }));
  /** What 15 psi give where most advice was written. */
  protected readonly seaC = tradeChamberC();
  protected readonly seaKPa = TRADE_GAUGE_KPA;
  protected readonly meanings = computed(() =>
    unlessRefused(() => pressureMeanings(this.ratedPsi(), 'psi', this.atmosphereKPa()), []),
  );
  private readonly rating = computed(() => {
    const meanings = this.meanings();
    return meanings.length === 1 ? meanings[0] : meanings.find((m) => m.kind === this.said());
  });
  private readonly appliances = computed<readonly Appliance[]>(() =>
    this.shipped.appliances.map((a) => ({
      ...a,
      inUse: a.id === this.cookerId(),
      // What nobody said is here is not offered; it can be put in at the Ledger.
      ...(a.id !== this.cookerId() && { isGone: true as const }),
      ...(a.id === this.cookerId()
        ? {
            volumeL: this.volumeL(),
            ratedGaugeKPa: this.rating()?.gaugeKPa ?? convert(this.ratedPsi(), 'psi', 'kPa'),
            heat: this.heat() as Appliance['heat'],
            ...(this.chosenKPa() !== undefined && { usualGaugeKPa: this.chosenKPa() }),
            updatedAt: new Date().toISOString(),
          }
        : {}),
    })),
  );

  protected readonly cooker = computed(() => this.appliances().find((a) => a.inUse)!);
  /** What it is run at, where that was said. */
  protected readonly chosenKPa = signal<number | undefined>(undefined);
  protected readonly gaugeKPa = computed(() => usualGaugeKPa(this.cooker()));

  /** The plan as it follows from what stands there, or what is wrong with it. */
  private readonly answer = computed(() => {
    try {
      const house = this.household();
      const appliance = this.appliances().find((a) => a.inUse)!;
      checkRanges(house, appliance, this.ratedPsi());
      if (this.rating() === undefined) {
        return {
          problem: `${pressureWords(convert(this.ratedPsi(), 'psi', 'kPa'))} can be meant in two ways: say which.`,
        };
      }
      const formula = resolveFormula(
        this.shipped.formulas.find((f) => f.id === FIRST_FORMULA)!,
        this.shipped.materials,
      );
      const vessel = this.shipped.vesselTypes.find((v) => v.id === house.usualVesselTypeId)!;
      const scaled = scaleFormula(formula, {
        vessel,
        count: house.usualCount,
        spare: SPARE,
        scaleStepG: house.scaleStepG,
      });
      const cook = planCook({
        appliance,
        house,
        vessel,
        count: house.usualCount,
        vesselWetG: scaled.vesselWetG,
      });
      return { scaled, cook };
    } catch (error) {
      return { problem: messageOf(error) };
    }
  });
  protected readonly problem = computed(
    () => Object.values(this.typed()).find(Boolean) ?? this.answer().problem ?? '',
  );
  /** The last plan that could be computed; it stays on screen while something typed is wrong. */
  protected readonly plan = lastKnown<FirstPlan>(() => {
    const answer = this.answer();
    return answer.scaled === undefined ? undefined : answer;
  });
  private readonly atmosphereKPa = computed(() =>
    // While what was typed is no altitude: that of the sea.
    unlessRefused(() => householdAtmosphereKPa(this.household()), atmosphericPressure(0)),
  );
  protected readonly atmosphere = computed(() =>
    unlessRefused(() => formatNumber(atmosphericPressure(this.altitudeM()) * 10), '?'),
  );

  constructor() {
    effect(() => {
      unitsShown.set(unitChoices(this.household()));
    });
  }

  protected note(field: string, problem: string): void {
    this.typed.update((all) => ({ ...all, [field]: problem }));
  }

  protected chooseCooker(id: string): void {
    const appliance = this.shipped.appliances.find((a) => a.id === id);
    if (appliance !== undefined) {
      this.cookerId.set(id);
      this.volumeL.set(appliance.volumeL);
      this.ratedPsi.set(Math.round(convert(appliance.ratedGaugeKPa, 'kPa', 'psi') * 10) / 10);
      this.heat.set(appliance.heat);
      this.chosenKPa.set(undefined);
    }
  }

  protected percent(share: number): number {
    return Math.round(share * 100);
  }

  protected weighed(massG: number): Figure {
    return weighedFigure(massG, this.household().scaleStepG);
  }

  protected readonly amountWords = amountWords;
  protected readonly figureOf = figureOf;
  protected readonly literFigure = literFigure;
  protected readonly literWords = literWords;
  protected readonly pressureWords = pressureWords;
  protected readonly temperatureWords = temperatureWords;

  /** Everything as it was in the file, into this empty house. */
  protected async bring(files: FileList | null): Promise<void> {
    const file = files?.[0];
    if (file === undefined) {
      return;
    }
    try {
      await this.archive.bring(file, (share) => {
        this.share.set(share);
      });
      await this.router.navigateByUrl('/desk');
    } catch (error) {
      this.failed.set(messageOf(error));
    } finally {
      this.share.set(undefined);
    }
  }

  protected async keep(): Promise<void> {
    if (this.problem() !== '') {
      return;
    }
    try {
      const records: Records = {
        ...this.shipped,
        appliances: this.appliances(),
        household: [this.household()],
      };
      await this.settings.furnish(records);
      await this.router.navigateByUrl('/desk');
    } catch (error) {
      this.failed.set(`Not saved: ${messageOf(error)}. What you typed is kept on screen.`);
    }
  }
}

function checkRanges(house: Household, appliance: Appliance, ratedPsi: number): void {
  const hPa = (house.barometerKPa ?? 100) * 10;
  requireWithin(house.altitudeM, { field: 'altitude', min: -430, max: 5100, unit: ' m' });
  requireWithin(hPa, { field: 'barometer', min: 500, max: 1100, unit: ' hPa' });
  requireWithin(appliance.volumeL, { field: 'volume', min: 2, max: 200, unit: ' liters' });
  requirePrintedPressure(ratedPsi, 'psi', householdAtmosphereKPa(house), 'pressure');
}
