import { config } from 'zod';

// The page forbids `eval`, so schemas must never be compiled to code. Imported first by the index.
config({ jitless: true });
