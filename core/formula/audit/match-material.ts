import MiniSearch from 'minisearch';
import type { Material } from '../../record/definitions.js';
import { WATER } from '../../record/entry.js';

/** What a recipe's words mean: water, one material, or a question with the likeliest answers first. */
export type Match =
  | { readonly kind: 'water' }
  | { readonly kind: 'material'; readonly material: Material }
  | { readonly kind: 'unknown'; readonly words: string; readonly candidates: readonly Material[] };

/** Words that say nothing about which material it is. */
const PASSING = new Set(
  'a an of the organic fresh whole dry dried raw clean chopped shredded ground crushed fine coarse finely roughly pure plain plus hard red white winter spring feed grade food good quality cheap local bulk loose packed heaping level rounded scant unsalted natural powdered powder brick block'.split(
    ' ',
  ),
);
const WATER_NAMES = new Set([
  'water',
  'tap water',
  'distilled water',
  'boiling water',
  'hot water',
  'cold water',
  'warm water',
  'h2o',
  'rain water',
]);
const MOST_CANDIDATES = 6;
/** Letters that a word must have to be the beginning of another, or a slip of the pen for it. Our choice. */
const LEAST_BEGINNING = 3;
const LEAST_MISSPELT = 4;
/** So many of its letters may be other ones: a farther word is no guess. Our choice. */
const NEAR = 0.2;

/**
 * Finds the material that a recipe means. Exact names and a user's own earlier answers count; anything less is
 * asked, never guessed.
 */
export class MaterialMatcher {
  private readonly byPhrase = new Map<string, Set<Material>>();
  private index: MiniSearch<{ id: number; text: string }> | undefined;

  /** @param answers earlier answers: the words as `phraseOf` gives them → id of a material, or "water" */
  constructor(
    private readonly materials: readonly Material[],
    private readonly answers: Readonly<Record<string, string>> = {},
  ) {
    for (const material of materials) {
      for (const name of [material.name, ...(material.words ?? [])]) {
        const phrase = phraseOf(name);
        this.byPhrase.set(phrase, (this.byPhrase.get(phrase) ?? new Set()).add(material));
      }
    }
  }

  match(what: string): Match {
    const phrase = phraseOf(what);
    const answer = this.answers[phrase];
    if (answer === WATER || (answer === undefined && WATER_NAMES.has(phrase))) {
      return { kind: 'water' };
    }
    const known =
      this.materials.find((m) => m.id === answer) ?? this.only(phrase) ?? this.only(withoutPassing(phrase));
    return known === undefined
      ? { kind: 'unknown', words: phrase, candidates: this.candidates(phrase) }
      : { kind: 'material', material: known };
  }

  /** One material goes by this name; the user's own copy wins over what it was copied from. */
  private only(phrase: string): Material | undefined {
    const named = [...(this.byPhrase.get(phrase) ?? [])];
    const copied = new Set(named.map((m) => m.copyOf));
    const left = named.filter((m) => !copied.has(m.id));
    return left.length === 1 ? left[0] : undefined;
  }

  private candidates(phrase: string): readonly Material[] {
    this.index ??= this.buildIndex();
    const hits = this.index.search(phrase, {
      prefix: (term) => term.length >= LEAST_BEGINNING,
      fuzzy: (term) => (term.length < LEAST_MISSPELT ? false : NEAR),
    });
    return hits.slice(0, MOST_CANDIDATES).flatMap((hit) => this.materials[hit.id as number] ?? []);
  }

  private buildIndex(): MiniSearch<{ id: number; text: string }> {
    const index = new MiniSearch<{ id: number; text: string }>({ fields: ['text'], idField: 'id' });
    index.addAll(this.materials.map((m, id) => ({ id, text: [m.name, ...(m.words ?? [])].join(' ') })));
    return index;
  }
}

/** Words in the singular, small, without brackets, commas and what follows them: "Wheat berries (organic)" → "wheat berry". */
export function phraseOf(text: string): string {
  const words = text
    .toLowerCase()
    .replace(/\([^)]*\)/g, ' ')
    .replace(/[^\p{L}\p{N}\s,%-]/gu, ' ')
    .replace(/-/g, ' ')
    .split(',');
  const [head = '', ...tail] = words.map((w) =>
    w.trim().split(/\s+/).filter(Boolean).map(singular).join(' '),
  );
  // "Barley, hulled" is hulled barley; "bran, sifted twice" is bran.
  const qualifier = tail.join(' ').trim();
  return QUALIFIERS.has(qualifier) ? `${qualifier} ${head}` : head;
}

const QUALIFIERS = new Set(['hulled', 'covered', 'leached', 'coated']);

function singular(word: string): string {
  if (word.length < 4 || word.endsWith('ss')) {
    return word;
  }
  if (word.endsWith('ies')) {
    return `${word.slice(0, -3)}y`;
  }
  if (word.endsWith('oes')) {
    return word.slice(0, -2);
  }
  return word.endsWith('s') && !word.endsWith('us') && !word.endsWith('is') && word !== 'molasses'
    ? word.slice(0, -1)
    : word;
}

function withoutPassing(phrase: string): string {
  return phrase
    .split(' ')
    .filter((word) => !PASSING.has(word))
    .join(' ');
}
