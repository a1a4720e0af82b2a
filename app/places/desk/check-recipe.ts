import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormControl, FormGroup } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { Router, RouterLink } from '@angular/router';
import {
  MOST_LINE_LETTERS,
  auditFormula,
  formatNumber,
  formulaFromAudit,
  isDissolved,
  likeliestVessel,
  newId,
  parseNumber,
  phraseOf,
  vesselsFor,
  type Audit,
  type AuditLine,
  type Filling,
  type Treatment,
} from '../../../core/index';
import { messageOf } from '../../data/words/message-of';
import { HouseStore } from '../../data/store/house-store';
import { Definitions } from '../../data/journal/definitions';
import { amountWords, volumeWords } from '../../data/words/measure-words';
import { ChoiceField, type Choice } from '../../pieces/form/choice-field';
import { valueOf } from '../../pieces/form/form-state';
import { PickField } from '../../pieces/form/pick-field';
import { TextField } from '../../pieces/form/text-field';
import { OwnThings } from '../../pieces/own-things/own-things';

const EXAMPLE = '5 cups hardwood pellets\n1 1/4 cup wheat bran\n1.4 L water';
const STAGE_WORDS = {
  agar: 'agar',
  liquid: 'liquid culture',
  grain: 'grain',
  bulk: 'bulk substrate',
} as const;

/** Any recipe, as it was found, turned into what it really is. Nothing is guessed: an unknown word is asked about. */
@Component({
  selector: 'nw-check-recipe',
  imports: [ChoiceField, MatButton, PickField, RouterLink, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './check-recipe.html',
  styleUrls: ['./desk-page.scss', './check-recipe.scss'],
})
export class CheckRecipe {
  private readonly store = inject(HouseStore);
  private readonly settings = inject(Definitions);
  private readonly router = inject(Router);
  private readonly own = inject(OwnThings);

  protected readonly example = EXAMPLE;
  protected readonly treatments: readonly Choice<Treatment | ''>[] = [
    { value: '', words: 'not said' },
    { value: 'sterilize', words: 'sterilized' },
    { value: 'pasteurize', words: 'pasteurized' },
  ];
  protected readonly bases: readonly Choice<'mass' | 'volume'>[] = [
    { value: 'mass', words: 'by mass' },
    { value: 'volume', words: 'by volume' },
  ];
  protected readonly form = new FormGroup({
    text: new FormControl('', { nonNullable: true }),
    vessel: new FormControl('', { nonNullable: true }),
    count: new FormControl('', { nonNullable: true }),
    treatment: new FormControl<Treatment | ''>('', { nonNullable: true }),
    partsAre: new FormControl<'mass' | 'volume'>('mass', { nonNullable: true }),
  });
  protected readonly asked = valueOf(this.form);
  protected readonly name = new FormControl('', { nonNullable: true });
  private readonly answers = signal<Readonly<Record<string, string>>>({});
  protected readonly saveProblem = signal('');

  private readonly materials = computed(() => this.store.house()?.records.materials ?? []);
  private readonly everyMaterial = computed<readonly Choice[]>(() => [
    { value: 'water', words: 'Water' },
    ...this.materials()
      .map(({ id, name }) => ({ value: id, words: name }))
      .sort((a, b) => a.words.localeCompare(b.words)),
  ]);
  private readonly answer = computed<Audit | { readonly problem: string } | undefined>(() => {
    const { text, vessel: vesselId, count, treatment, partsAre } = this.asked();
    if (text.trim() === '') {
      return undefined;
    }
    const vessel = (this.store.house()?.records.vesselTypes ?? []).find((v) => v.id === vesselId);
    try {
      return auditFormula(text, {
        materials: this.materials(),
        answers: this.answers(),
        partsAre,
        ...(treatment !== '' && { treatment }),
        ...(vessel && { vessel, ...(count.trim() !== '' && { count: parseNumber(count, 'count') }) }),
      });
    } catch (error) {
      return { problem: messageOf(error) };
    }
  });
  protected readonly problem = computed(() => {
    const answer = this.answer();
    return answer !== undefined && 'problem' in answer ? answer.problem : '';
  });
  protected readonly audit = computed(() => {
    const answer = this.answer();
    return answer !== undefined && 'lines' in answer ? answer : undefined;
  });
  protected readonly vessels = computed<readonly Choice[]>(() => [
    { value: '', words: 'not said' },
    ...vesselsFor(this.audit()?.stage ?? 'bulk', this.store.house()?.records.vesselTypes ?? []).map(
      ({ id, plural }) => ({ value: id, words: plural }),
    ),
  ]);
  protected readonly hasParts = computed(
    () => this.audit()?.lines.some((l) => l.amount.kind === 'parts') ?? false,
  );
  protected readonly title = computed(() => {
    const audit = this.audit();
    return audit?.isWhole === true ? `This is ${STAGE_WORDS[audit.stage]}: ${audit.makes}` : '';
  });
  private readonly advised = computed(() => this.audit()?.treatment.treatment ?? 'sterilize');
  /** As the person means it, else as it is advised. */
  protected readonly meant = computed<Treatment>(() => this.asked().treatment || this.advised());
  protected readonly isAgainstAdvice = computed(() => this.meant() !== this.advised());
  protected readonly otherWords = computed(() => {
    const other = this.meant() === 'sterilize' ? 'Pasteurize' : 'Sterilize';
    return this.isAgainstAdvice() ? `${other} instead` : `${other} all the same`;
  });
  protected readonly figures = computed(() => {
    const audit = this.audit();
    if (audit?.isWhole !== true) {
      return [];
    }
    const isLiquid = isDissolved(audit.stage);
    const ratio = audit.carbonToNitrogen;
    return [
      { what: 'In all', value: amountWords(audit.grams) },
      ...(audit.filling === undefined ? [] : [fillingWords(audit.filling, isLiquid)]),
      ...(audit.moisture === undefined
        ? []
        : [{ what: 'Water, wet basis', value: `${formatNumber(audit.moisture * 100, 1)} %` }]),
      ...(isLiquid && audit.sugarPercent !== undefined
        ? [
            { what: 'Sugar solids, w/v', value: `${formatNumber(audit.sugarPercent, 2)} %` },
            { what: 'All dissolved solids, w/v', value: `${formatNumber(audit.solidsPercent ?? 0, 2)} %` },
          ]
        : []),
      ...(audit.stage === 'bulk'
        ? [{ what: 'Supplement, of dry', value: `${formatNumber(audit.supplementPercent, 1)} %` }]
        : []),
      ...(audit.blend.nitrogenOfDry === undefined || isLiquid
        ? []
        : [{ what: 'Nitrogen, of dry', value: `${formatNumber(audit.blend.nitrogenOfDry * 100, 2)} %` }]),
      ...(ratio === undefined ? [] : [{ what: 'C:N', value: `${formatNumber(ratio)} : 1` }]),
      ...(audit.finishedMl === undefined
        ? []
        : [{ what: 'Finished, about', value: volumeWords(audit.finishedMl) }]),
    ];
  });

  /** What keeps the whole from being judged. */
  protected readonly stillOpen = computed(() => {
    const open = this.audit()?.lines.filter((l) => l.problem !== undefined).length ?? 0;
    return open === 0
      ? 'Nothing in it has an amount.'
      : `${open === 1 ? 'One line is' : `${open} lines are`} not read. What it is, how wet and how rich is said once every line is answered, put otherwise or taken out.`;
  });
  protected readonly amountOf = amountWords;

  protected grams({ massG, rangeG }: AuditLine): string {
    return rangeG !== undefined
      ? rangeWords(rangeG.map((end) => amountWords(end)))
      : massG === undefined
        ? ''
        : amountWords(massG);
  }

  protected matched(line: AuditLine): string {
    return line.match?.kind === 'material'
      ? line.match.material.name
      : line.match?.kind === 'water'
        ? 'Water'
        : '';
  }

  /** What an unknown word may mean, the likeliest first; undefined where it is known. */
  protected candidates(line: AuditLine): readonly Choice[] | undefined {
    if (line.match?.kind !== 'unknown') {
      return undefined;
    }
    const likely = line.match.candidates.map(({ id, name }) => ({ value: id, words: name }));
    return [...likely, ...this.everyMaterial().filter((m) => likely.every((l) => l.value !== m.value))];
  }

  /** What is asked about a line that is no question of the material. */
  protected asks(line: AuditLine): readonly Choice[] | undefined {
    return line.question?.choices.map(({ answer, words }) => ({ value: answer, words }));
  }

  protected choose(line: AuditLine, id: string): void {
    const key = line.question?.key ?? phraseOf(line.what);
    this.answers.update((all) => ({ ...all, [key]: id }));
  }

  protected async addMaterial(line: AuditLine): Promise<void> {
    const called = line.what.slice(0, MOST_LINE_LETTERS);
    const id = await this.own.ask({ what: 'material', called });
    if (id !== undefined) {
      this.choose(line, id);
    }
  }

  protected async addVessel(): Promise<void> {
    const likeliest = likeliestVessel(this.audit()?.stage ?? 'bulk');
    const id = await this.own.ask({ what: 'vessel', likeliest });
    if (id !== undefined) {
      this.form.controls.vessel.setValue(id);
    }
  }

  /** The other way of treating it. */
  protected turnOver(): void {
    this.form.controls.treatment.setValue(this.meant() === 'sterilize' ? 'pasteurize' : 'sterilize');
  }

  protected async save(): Promise<void> {
    const audit = this.audit();
    if (audit?.isWhole !== true) {
      return;
    }
    const id = newId(Date.now(), Math.random);
    try {
      const formula = formulaFromAudit(audit, {
        id,
        name: this.name.value.trim() || 'My recipe',
        updatedAt: new Date().toISOString(),
      });
      this.saveProblem.set('');
      if (await this.settings.add('formulas', formula)) {
        await this.router.navigate(['/desk'], {
          queryParams: { formula: id, ...(this.isAgainstAdvice() && { treatment: this.meant() }) },
        });
      }
    } catch (error) {
      this.saveProblem.set(`${messageOf(error)} Nothing was saved.`);
    }
  }
}

/** How many it fills, or what each gets where that is told. */
function fillingWords({ vessel, fills, each }: Filling, isLiquid: boolean): { what: string; value: string } {
  if (each === undefined) {
    return { what: 'Fills, as usual', value: `${formatNumber(fills, 1)} ${vessel.plural}` };
  }
  const held = isLiquid ? volumeWords(each.volumeMl) : amountWords(each.massG);
  return {
    what: `In each of ${formatNumber(each.count)}`,
    value: `${held}, ${formatNumber(each.share * 100)} % full`,
  };
}

function rangeWords([low = '', high = '']: readonly string[]): string {
  return `${low} to ${high}`;
}
