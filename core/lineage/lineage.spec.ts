import { XMLParser } from 'fast-xml-parser';
import Papa from 'papaparse';
import {
  buildHouse,
  edgesCsv,
  familyGraphMl,
  familyIds,
  familyOf,
  familyPicture,
  generationOf,
  hollinRow,
  lineage,
  placeFamily,
  seededRandom,
  ancestors,
  descendants,
  newId,
  type Entry,
  type EntryId,
  type Random,
  type ToPlace,
  type VesselId,
} from '../index.js';
import { DAY_MS, START_MS, entryMaker } from '../testing/sample-house.js';

const NOW = START_MS + 200 * DAY_MS + 9 * 3_600_000;
const house = buildHouse(hollinRow(NOW, NOW - 9 * 3_600_000));
const view = (code: string) => [...house.vesselById.values()].find((v) => v.code === code)!;
const codes = (views: readonly { readonly code: string }[]) => views.map((v) => v.code);

describe('a family', () => {
  it('names what a block came from, back to its culture, and what shares something with it', () => {
    const family = familyOf(view('B12-1'), house, (iso) => iso.slice(0, 10));
    expect(codes(family.ancestors.views)).toEqual(
      jasmine.arrayContaining(['G14-1', 'L5-1', 'A12-1', 'A3-1']),
    );
    expect(codes(family.siblings.source.views)).toEqual(['B12-2', 'B12-3']);
    expect(codes(family.siblings.day.views)).toEqual(['B12-2', 'B12-3']);
    expect(family.siblings.place.views.length).toBe(0);
  });

  it('counts what went bad among those of one source', () => {
    const { siblings, descendants: fed } = familyOf(view('L6-1'), house, (iso) => iso.slice(0, 10));
    expect(fed.bad).toBe(6);
    const g = familyOf(view('G15-5'), house, (iso) => iso.slice(0, 10));
    expect(g.siblings.source.bad).toBe(6);
    expect(codes(siblings.day.views)).toEqual(jasmine.arrayContaining(['L5-1', 'L7-1']));
  });

  it('is a picture of batches, and of the vessels of those that are unfolded', () => {
    const ids = familyIds([view('L6-1').vessel.id], house);
    const folded = familyPicture(ids, house, new Set());
    expect(codes(folded.nodes)).toContain('G15');
    const g15 = folded.nodes.find((n) => n.code === 'G15')!;
    expect([g15.views.length, g15.bad]).toEqual([5, 4]);
    const open = familyPicture(ids, house, new Set([g15.id]));
    expect(codes(open.nodes)).toEqual(jasmine.arrayContaining(['G15-1', 'G15-5']));
    expect(open.nodes.length).toBe(folded.nodes.length + 4);
    expect(open.edges.filter((e) => e.isBad).length).toBeGreaterThan(
      folded.edges.filter((e) => e.isBad).length,
    );
  });
});

/** A history of feeding at random: each vessel is fed by up to three older ones. */
function anyHistory(
  size: number,
  random: Random,
): { readonly ids: readonly VesselId[]; readonly entries: readonly Entry[] } {
  const entry = entryMaker(random);
  const ids = Array.from({ length: size }, () => newId(START_MS, random) as VesselId);
  const entries: Entry[] = [];
  for (let n = 1; n < size; n++) {
    const count = Math.floor(random() * 3.4);
    const sources = Array.from({ length: count }, () => ids[Math.floor(random() * n)]!);
    if (sources.length > 0) {
      entries.push(
        entry(START_MS + n * 60_000, {
          kind: 'inoculated',
          vesselIds: [ids[n]!],
          sourceVesselIds: [...new Set(sources)],
          doseEach: 1,
          doseUnit: 'ml',
        }),
      );
    }
  }
  return { ids, entries };
}

describe('lineage, in ten thousand histories at random', () => {
  it('knows no vessel among its own ancestors, and descent is ancestry seen from behind', () => {
    const random = seededRandom(41);
    for (let run = 0; run < 10_000; run++) {
      const { ids, entries } = anyHistory(8, random);
      const graph = lineage(entries);
      const id = ids[Math.floor(random() * ids.length)]!;
      const before = ancestors(graph, id).slice(1);
      const after = descendants(graph, id).slice(1);
      if (before.includes(id) || after.includes(id) || before.some((b) => after.includes(b))) {
        fail(`run ${run}: a loop`);
      }
      if (!before.every((b) => descendants(graph, b).includes(id))) {
        fail(`run ${run}: an ancestor that does not know its descendant`);
      }
    }
  });

  it('of two devices put together is the union of both, in any order', () => {
    const random = seededRandom(42);
    for (let run = 0; run < 10_000; run++) {
      const { entries } = anyHistory(8, random);
      const [mine, theirs] = [entries.filter(() => random() < 0.6), entries.filter(() => random() < 0.6)];
      const both = lineage([...new Set([...mine, ...theirs])]);
      const turned = lineage([...new Set([...theirs, ...mine])].reverse());
      const pairs = (graph: ReturnType<typeof lineage>) =>
        [...graph.sourcesOf].flatMap(([to, from]) => from.map((f) => `${f}>${to}`)).sort();
      const union = [...new Set([...pairs(lineage(mine)), ...pairs(lineage(theirs))])].sort();
      if (pairs(both).join() !== union.join() || pairs(turned).join() !== union.join()) {
        fail(`run ${run}: not the union`);
      }
    }
  });
});

describe('generations of the made-up household', () => {
  it('are one more than the oldest source has, everywhere in the made-up household', () => {
    for (const one of house.vesselById.values()) {
      const sources = (house.lineage.sourcesOf.get(one.vessel.id) ?? []).flatMap(
        (id) => house.vesselById.get(id) ?? [],
      );
      if (sources.length > 0) {
        const oldest = Math.max(...sources.map((s) => generationOf(s, house).transfers));
        const isSame = one.state.drawn === true || one.state.repotted !== undefined;
        const step = isSame ? 0 : 1;
        expect(generationOf(one, house).transfers)
          .withContext(one.code)
          .toBe(oldest + step);
      }
    }
  });
});

describe('the layout', () => {
  const random = seededRandom(5);
  const anyNodes = (size: number): ToPlace[] =>
    Array.from({ length: size }, (_, i) => ({
      id: `n${i}`,
      atMs: START_MS + Math.floor(random() * 300) * DAY_MS,
      parents:
        i === 0
          ? []
          : Array.from({ length: Math.floor(random() * 3) }, () => `n${Math.floor(random() * size)}`),
    }));

  it('never lays one node on another, and never a child before its parent, loops or not', () => {
    for (let run = 0; run < 300; run++) {
      const nodes = anyNodes(60);
      const { rows, along } = placeFamily(nodes, { width: 1000, gap: 40 });
      for (let a = 0; a < nodes.length; a++) {
        for (let b = a + 1; b < nodes.length; b++) {
          const apart =
            Math.abs(rows[a]! - rows[b]!) >= 0.5 - 1e-9 || Math.abs(along[a]! - along[b]!) >= 40 - 1e-9;
          if (!apart) {
            fail(`run ${run}: ${a} on ${b}`);
          }
        }
      }
    }
  });

  it('holds a chain of thousands, a wide batch, and nothing', () => {
    const chain = Array.from({ length: 5000 }, (_, i) => ({
      id: `c${i}`,
      atMs: START_MS + i * 1000,
      parents: i === 0 ? [] : [`c${i - 1}`],
    }));
    expect(placeFamily(chain, { width: 900, gap: 0 }).rowCount).toBe(1);
    const wide = Array.from({ length: 500 }, (_, i) => ({
      id: `w${i}`,
      atMs: START_MS + i,
      parents: ['w0'],
    }));
    expect(placeFamily(wide, { width: 900, gap: 40 }).rowCount).toBe(499);
    expect(placeFamily([], { width: 900, gap: 40 }).rowCount).toBe(0);
  });
});

describe('a lineage that goes out', () => {
  const ids = familyIds([view('L6-1').vessel.id], house);

  it('is a line an edge as CSV', () => {
    const { data } = Papa.parse<string[]>(edgesCsv(ids, house).trim());
    expect(data[0]).toEqual([
      'from',
      'to',
      'inoculated',
      'dose',
      'unit',
      'sector',
      'species',
      'isolate',
      'suspect',
    ]);
    const edges = [...ids].reduce(
      (n, id) => n + (house.lineage.sourcesOf.get(id) ?? []).filter((s) => ids.has(s)).length,
      0,
    );
    expect(data.length - 1).toBe(edges);
    expect(data.some((row) => row[0] === 'L6-1' && row[1] === 'G15-1' && row[8] === 'wetRot')).toBeTrue();
  });

  it('is GraphML that a reader of XML finds whole, whatever a name holds', () => {
    const evil = '</data><script>&"\'';
    const renamed = buildHouse({
      ...house.records,
      isolates: house.records.isolates.map((i) => ({ ...i, name: evil })),
    });
    const read = new XMLParser({ ignoreAttributes: false }).parse(familyGraphMl(ids, renamed)) as {
      graphml: {
        graph: { node: { '@_id': string; data: { '@_key': string; '#text': string }[] }[]; edge: unknown[] };
      };
    };
    const { node, edge } = read.graphml.graph;
    expect(node.map((n) => n['@_id'])).toEqual([...ids]);
    // A3 fed A12-2, that fed L6, and L6 nine jars.
    expect(edge.length).toBe(11);
    const isolates = new Set(
      node.flatMap((n) => n.data.filter((d) => d['@_key'] === 'node-isolate').map((d) => d['#text'])),
    );
    expect([...isolates]).toEqual([evil]);
  });

  it('leaves out nothing that was fed by two', () => {
    const id: EntryId = house.facts.find((f) => f.kind === 'inoculated' && f.sourceVesselIds.length > 1)!.id;
    const fact = house.factById.get(id) as Extract<Entry, { kind: 'inoculated' }>;
    const all = familyIds([fact.vesselIds[0]!], house);
    fact.sourceVesselIds.forEach((s) => expect(all).toContain(s));
  });
});
