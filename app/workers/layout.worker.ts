import { expose, transfer } from 'comlink';
import { placeFamily, type Placed, type ToPlace } from '../../core/index';

const api = {
  /** Lays a family out; what comes back is handed over, not copied. */
  place(nodes: readonly ToPlace[], options: { readonly width: number; readonly gap: number }): Placed {
    const placed = placeFamily(nodes, options);
    return transfer(placed, [placed.rows.buffer, placed.along.buffer]);
  },
};

export type LayoutApi = typeof api;
expose(api);
