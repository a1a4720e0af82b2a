/** The places of the house, with the key that opens each. */
export const PLACES = [
  { key: '1', path: 'desk', name: 'Desk' },
  { key: '2', path: 'stove', name: 'Stove' },
  { key: '3', path: 'box', name: 'Box' },
  { key: '4', path: 'shelf', name: 'Shelf' },
  { key: '5', path: 'tent', name: 'Tent' },
  { key: '6', path: 'ledger', name: 'Ledger' },
] as const;
