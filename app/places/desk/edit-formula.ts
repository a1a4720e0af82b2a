import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  signal,
  untracked,
} from '@angular/core';
import { FormArray, FormControl, FormGroup } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { Router, RouterLink } from '@angular/router';
import {
  MOST_LINE_LETTERS,
  requireText,
  MOISTURE_RULE,
  RECIPE_SOURCE,
  auditFormula,
  formatNumber,
  newId,
  parseIn,
  parseWithin,
  requireWithin,
  resolveFormula,
  scaleFormula,
  usualParts,
  vesselsFor,
  type Figure,
  type Formula,
  unlessRefused,
} from '../../../core/index';
import { messageOf } from '../../data/words/message-of';
import { HouseStore } from '../../data/store/house-store';
import { Definitions } from '../../data/journal/definitions';
import type { Choice } from '../../pieces/form/choice-field';
import { valueOf } from '../../pieces/form/form-state';
import { PickField } from '../../pieces/form/pick-field';
import { TextField } from '../../pieces/form/text-field';
import { OwnThings } from '../../pieces/own-things/own-things';

const MOST_PARTS = 30;
const OWN = 'your own formula';
/** Before a stage, in the address: a formula from scratch. */
const NEW = 'new-';

/** A formula of one's own: a copy that is changed, or one's own changed again. What ships stays as it is. */
@Component({
  selector: 'nw-edit-formula',
  imports: [MatButton, PickField, RouterLink, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './edit-formula.html',
  styleUrls: ['./desk-page.scss', './edit-formula.scss'],
})
export class EditFormula {
  /** Which formula is copied or changed, from the address. */
  readonly id = input.required<string>();

  private readonly store = inject(HouseStore);
  private readonly settings = inject(Definitions);
  private readonly router = inject(Router);
  private readonly own = inject(OwnThings);

  protected readonly mostParts = MOST_PARTS;
  private readonly records = computed(() => this.store.house()?.records);
  protected readonly isNew = computed(() => this.id().startsWith(NEW));
  protected readonly base = computed(() => {
    const formulas = this.records()?.formulas ?? [];
    return this.isNew()
      ? fromScratch(this.id().slice(NEW.length), formulas)
      : formulas.find((f) => f.id === this.id());
  });
  /** Its own are changed in place; what ships is copied. */
  protected readonly isOwn = computed(() => [OWN, RECIPE_SOURCE].includes(this.base()?.source ?? ''));
  private readonly materials = computed(() =>
    [...(this.records()?.materials ?? [])].sort((a, b) => a.name.localeCompare(b.name)),
  );

  protected readonly materialChoices = computed<readonly Choice[]>(() =>
    this.materials().map(({ id, name }) => ({ value: id, words: name })),
  );
  protected readonly form = new FormGroup({
    name: new FormControl('', { nonNullable: true }),
    parts: new FormArray<ReturnType<typeof partOf>>([]),
    moisture: new FormControl('', { nonNullable: true }),
  });
  private readonly texts = valueOf(this.form);
  protected readonly saveProblem = signal('');

  protected readonly isDissolved = computed(() => this.base()?.basis === 'perLiter');
  protected readonly shareWords = computed(
    () =>
      ({ perLiter: 'g to a liter', dry: 'parts of dry matter', asSupplied: 'parts as bought' })[
        this.base()?.basis ?? 'dry'
      ],
  );

  /** The formula as typed, or why it is none. */
  private readonly typed = computed<Formula | { readonly problem: string } | undefined>(() => {
    const base = this.base();
    if (base === undefined || this.texts().parts.length === 0) {
      return undefined;
    }
    try {
      return this.read(base);
    } catch (error) {
      return { problem: messageOf(error) };
    }
  });
  protected readonly problem = computed(() => {
    const typed = this.typed();
    return typed !== undefined && 'problem' in typed ? typed.problem : '';
  });
  /** What the audit says of one vessel of it. */
  protected readonly verdict = computed(() => {
    const typed = this.typed();
    if (typed === undefined || 'problem' in typed) {
      return undefined;
    }
    const [vessel] = vesselsFor(typed.stage, this.records()?.vesselTypes ?? []);
    return vessel === undefined
      ? undefined
      : unlessRefused(() => {
          const formula = resolveFormula(typed, this.materials());
          const scaled = scaleFormula(formula, { vessel, count: 1, scaleStepG: 0.01 });
          return auditFormula([...scaled.parts, { massG: Math.max(0, scaled.waterG) }]);
        }, undefined);
  });

  constructor() {
    effect(() => {
      const base = this.base();
      if (base !== undefined && this.form.controls.parts.length === 0) {
        untracked(() => {
          this.begin(base);
        });
      }
    });
  }

  protected addPart(): void {
    this.form.controls.parts.push(partOf(this.materials()[0]?.id ?? '', '1'));
  }

  protected async addOwn(): Promise<void> {
    const id = await this.own.ask({ what: 'material', called: '' });
    if (id !== undefined) {
      this.form.controls.parts.push(partOf(id, '1'));
    }
  }

  protected removePart(index: number): void {
    this.form.controls.parts.removeAt(index);
  }

  protected readonly comesTo = computed(() => {
    const found = this.verdict();
    const ratio = found?.carbonToNitrogen;
    return [
      found?.moisture === undefined ? '' : `${formatNumber(found.moisture * 100, 1)} % water`,
      ratio === undefined ? '' : `C:N ${formatNumber(ratio)}`,
      found?.sugarPercent === undefined ? '' : `${formatNumber(found.sugarPercent, 1)} % sugar solids, w/v`,
    ]
      .filter(Boolean)
      .join(', ');
  });

  protected async save(): Promise<void> {
    const typed = this.typed();
    if (typed === undefined || 'problem' in typed) {
      this.saveProblem.set(
        `${this.problem() || 'A formula needs at least one ingredient.'} Nothing was saved.`,
      );
      return;
    }
    this.saveProblem.set('');
    const id = this.isOwn() ? typed.id : newId(Date.now(), Math.random);
    const kept: Formula = {
      ...typed,
      id,
      updatedAt: new Date().toISOString(),
      source: OWN,
      ...(!this.isNew() && { copyOf: typed.copyOf ?? this.id() }),
    };
    const saved = this.isOwn()
      ? await this.settings.change('formulas', id, kept)
      : await this.settings.add('formulas', kept);
    if (saved) {
      await this.router.navigate(['/desk'], { queryParams: { formula: id } });
    }
  }

  private begin(base: Formula): void {
    const { name, parts, moisture } = this.form.controls;
    for (const part of usualParts(base)) {
      const share = String(Number((part.share * this.shownTimes(base)).toPrecision(6)));
      parts.push(partOf(part.materialId, share));
    }
    name.setValue(this.isOwn() || this.isNew() ? base.name : `${base.name}, mine`.slice(0, 80));
    moisture.setValue(
      base.basis === 'perLiter' ? '' : String(Number((base.targetMoisture.value * 100).toPrecision(4))),
    );
  }

  private shownTimes(formula: Formula): number {
    return formula.basis === 'perLiter' ? 1 : 100;
  }

  private read(base: Formula): Formula {
    const texts = this.texts();
    const name = requireText(texts.name, { label: 'Name' }, MOST_LINE_LETTERS);
    const typedParts = texts.parts.map(({ materialId, share }) => {
      const material = this.materials().find((m) => m.id === materialId);
      const field = { label: `${material?.name ?? 'Ingredient'}, amount` };
      const value = parseWithin(share, { field, min: 0.001, max: 1000 }) / this.shownTimes(base);
      // Whatever stands in the list goes in.
      const { inSoak, note, strained, optional } = base.parts.find((p) => p.materialId === materialId) ?? {};
      return {
        materialId,
        share: value,
        ...(note !== undefined && { note }),
        ...(strained && { strained }),
        ...(inSoak && { inSoak }),
        ...(optional === 'in' && { optional }),
      };
    });
    const outParts = base.parts.filter(
      (p) => p.optional === 'out' && !typedParts.some((t) => t.materialId === p.materialId),
    );
    const parts: Formula['parts'] = [...typedParts, ...outParts];
    if (base.basis === 'perLiter') {
      const lead = parts.find((p) => p.materialId === base.strengthOf) ?? parts[0]!;
      const was = base.parts.find((p) => p.materialId === base.strengthOf)?.share ?? lead.share;
      const value =
        lead.materialId === base.strengthOf ? (base.strength.value * lead.share) / was : lead.share;
      return { ...base, name, parts, strengthOf: lead.materialId, strength: around(value, base.strength) };
    }
    const moisture = requireWithin(parseIn(texts.moisture, 'moisture', '%') / 100, MOISTURE_RULE);
    return { ...base, name, parts, targetMoisture: around(moisture, base.targetMoisture) };
  }
}

/** One ingredient of the usual formula of a stage, to begin with. */
function fromScratch(stage: string, formulas: readonly Formula[]): Formula | undefined {
  const usual = formulas.find((f) => f.stage === stage && f.copyOf === undefined);
  return (
    usual && {
      ...usual,
      name: 'My formula',
      parts: usualParts(usual).slice(-1),
      use: undefined,
      source: undefined,
    }
  );
}

function partOf(materialId: string, share: string) {
  return new FormGroup({
    materialId: new FormControl(materialId, { nonNullable: true }),
    share: new FormControl(share, { nonNullable: true }),
  });
}

function around(value: number, was: Figure): Figure {
  return { value, low: Math.min(was.low, value), high: Math.max(was.high, value), source: was.source };
}
