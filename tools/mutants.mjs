import { readFileSync } from 'node:fs';
import { cpus } from 'node:os';
import { filesBelow } from './files-below.mjs';
import { keyOf } from './mutants-plugin.mjs';
import { say } from './say.mjs';

/** How many changes are tried, and which: another seed tries others. */
const COUNT = Number(process.env.MUTANTS ?? '200');
const SEED = Number(process.env.SEED ?? '1');
/** Of a hundred changes the specs must catch so many. */
const LEAST_CAUGHT = 85;
/** Changes of one operator: what a slip of the hand makes of `<`, `+`, `&&`. */
const OPERATORS = new Set([
  'ArithmeticOperator',
  'AssignmentOperator',
  'EqualityOperator',
  'LogicalOperator',
  'UnaryOperator',
  'UpdateOperator',
]);
/** Tables of figures, the made-up household and what only specs use. */
const LEFT_OUT = /\.spec\.ts$|^core\/(demo|testing)\/|\/shipped-|-table\.ts$|trade-holds\.ts$|\/index\.ts$/;

/** Changes one operator of core at a time, a seeded choice of them, and counts how many the core specs notice. */
export async function mutants() {
  const { Stryker } = await import('@stryker-mutator/core');
  const chosen = await choose();
  const results = await new Stryker({
    mutate: chosen.map(rangeOf),
    mutator: { excludedMutations: ALL_MUTATORS.filter((name) => !OPERATORS.has(name)) },
    testRunner: 'jasmine',
    jasmineConfigFile: 'tools/jasmine-core.json',
    testRunnerNodeArgs: ['--import', 'tsx'],
    plugins: ['@stryker-mutator/jasmine-runner', `${process.cwd()}/tools/mutants-plugin.mjs`],
    checkers: ['chosen'],
    // Read by the checker in the plugin.
    chosenMutants: chosen.map(keyOf),
    warnings: { unknownOptions: false },
    coverageAnalysis: 'perTest',
    ignoreStatic: true,
    concurrency: Math.max(1, cpus().length),
    timeoutMS: 60_000,
    // All specs once, with what each covers: some minutes where the machine has other work.
    dryRunTimeoutMinutes: 20,
    reporters: ['missed', 'progress-append-only'],
    ignorePatterns: ['dist', 'e2e', 'test-results', 'docs/screenshots'],
    // Not where the stories lay their results: those are cleared by each run.
    tempDirName: '.mutants',
    allowEmpty: true,
    logLevel: 'warn',
  }).runMutationTest();
  const tried = results.filter((r) => r.status !== 'Ignored' && r.status !== 'CompileError');
  const missed = tried.filter((r) => r.status === 'Survived' || r.status === 'NoCoverage');
  const percent = (100 * (tried.length - missed.length)) / Math.max(1, tried.length);
  say(
    `${tried.length - missed.length} of ${tried.length} changes were caught: ${percent.toFixed(1)} % (seed ${SEED})`,
  );
  if (percent < LEAST_CAUGHT) {
    throw new Error(`At least ${LEAST_CAUGHT} % should be.`);
  }
}

const ALL_MUTATORS = [
  'ArithmeticOperator',
  'ArrayDeclaration',
  'ArrowFunction',
  'AssignmentOperator',
  'BlockStatement',
  'BooleanLiteral',
  'ConditionalExpression',
  'EqualityOperator',
  'LogicalOperator',
  'MethodExpression',
  'ObjectLiteral',
  'OptionalChaining',
  'Regex',
  'StringLiteral',
  'UnaryOperator',
  'UpdateOperator',
];

/** Every change of one operator that could be made in core, and of those a seeded choice. */
async function choose() {
  const { createInjector } = await import('typed-inject');
  const { commonTokens } = await import('@stryker-mutator/api/plugin');
  const { createInstrumenter } = await import('@stryker-mutator/instrumenter');
  const quiet = () => undefined;
  const logger = { debug: quiet, info: quiet, warn: quiet, error: quiet, isDebugEnabled: () => false };
  const files = filesBelow('core')
    .filter((name) => name.endsWith('.ts') && !LEFT_OUT.test(name))
    .sort();
  const { mutants: all } = await createInstrumenter(
    createInjector().provideValue(commonTokens.logger, logger),
  ).instrument(
    files.map((name) => ({ name, mutate: true, content: readFileSync(name, 'utf8') })),
    { excludedMutations: ALL_MUTATORS.filter((name) => !OPERATORS.has(name)), ignorers: [], plugins: null },
  );
  const random = seeded(SEED);
  return all
    .filter((mutant) => OPERATORS.has(mutant.mutatorName))
    .map((mutant) => ({ mutant, at: random() }))
    .sort((a, b) => a.at - b.at)
    .slice(0, COUNT)
    .map(({ mutant }) => mutant);
}

function rangeOf({ fileName, location: { start, end } }) {
  return `${fileName}:${start.line + 1}:${start.column}-${end.line + 1}:${end.column}`;
}

/** A small linear congruential generator (Numerical Recipes, §7.1). */
function seeded(seed) {
  let state = seed >>> 0;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
}
