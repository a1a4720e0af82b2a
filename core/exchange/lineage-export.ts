import Builder from 'fast-xml-builder';
import type { House, VesselView } from '../house/derive/house.js';
import type { VesselId } from '../record/ids.js';
import { linesCsv } from './table-csv.js';

const COLUMNS = [
  'from',
  'to',
  'inoculated',
  'dose',
  'unit',
  'sector',
  'species',
  'isolate',
  'suspect',
] as const;

/** Who fed whom, a line for each, in the order of the work. Cells that a spreadsheet would run are made plain text. */
export function edgesCsv(ids: ReadonlySet<VesselId>, house: House): string {
  const rows = edges(ids, house).map(({ from, to }) => [
    from.code,
    to.code,
    to.state.inoculatedAt ?? '',
    to.state.doseEach === undefined ? '' : String(to.state.doseEach),
    to.state.doseUnit ?? '',
    to.state.sector ?? '',
    to.species?.name ?? '',
    to.isolate?.name ?? '',
    to.state.suspect ?? '',
  ]);
  return linesCsv([COLUMNS, ...rows]);
}

const NODE_KEYS = ['code', 'kind', 'species', 'isolate', 'made', 'phase', 'suspect'] as const;

/** The same as GraphML 1.0, which graph programs read: nodes are vessels, edges point from what gave to what took. */
export function familyGraphMl(ids: ReadonlySet<VesselId>, house: House): string {
  const views = [...ids].flatMap((id) => house.vesselById.get(id) ?? []);
  const key = (name: string, of: 'node' | 'edge') => ({
    '@id': `${of}-${name}`,
    '@for': of,
    '@attr.name': name,
    '@attr.type': 'string',
  });
  const data = (of: string, values: Readonly<Record<string, string>>) =>
    Object.entries(values)
      .filter(([, value]) => value !== '')
      .map(([name, value]) => ({ '@key': `${of}-${name}`, '#text': value }));
  return new Builder({
    ignoreAttributes: false,
    attributeNamePrefix: '@',
    format: true,
    suppressBooleanAttributes: false,
  }).build({
    '?xml': { '@version': '1.0', '@encoding': 'UTF-8' },
    graphml: {
      '@xmlns': 'http://graphml.graphdrawing.org/xmlns',
      key: [...NODE_KEYS.map((name) => key(name, 'node')), key('dose', 'edge'), key('unit', 'edge')],
      graph: {
        '@id': 'lineage',
        '@edgedefault': 'directed',
        node: views.map((v) => ({ '@id': v.vessel.id, data: data('node', describe(v)) })),
        edge: edges(ids, house).map(({ from, to }) => ({
          '@source': from.vessel.id,
          '@target': to.vessel.id,
          data: data('edge', {
            dose: to.state.doseEach === undefined ? '' : String(to.state.doseEach),
            unit: to.state.doseUnit ?? '',
          }),
        })),
      },
    },
  });
}

function describe(view: VesselView): Readonly<Record<(typeof NODE_KEYS)[number], string>> {
  return {
    code: view.code,
    kind: view.batch.vessel.kind,
    species: view.species?.name ?? '',
    isolate: view.isolate?.name ?? '',
    made: view.batch.madeAt,
    phase: view.state.phase,
    suspect: view.state.suspect ?? '',
  };
}

function edges(
  ids: ReadonlySet<VesselId>,
  house: House,
): readonly { readonly from: VesselView; readonly to: VesselView }[] {
  return [...ids]
    .flatMap((id) => house.vesselById.get(id) ?? [])
    .flatMap((to) =>
      (house.lineage.sourcesOf.get(to.vessel.id) ?? []).flatMap((source) => {
        const from = ids.has(source) ? house.vesselById.get(source) : undefined;
        return from === undefined ? [] : [{ from, to }];
      }),
    )
    .sort((a, b) => ((a.to.state.inoculatedAt ?? '') < (b.to.state.inoculatedAt ?? '') ? -1 : 1));
}
