export { hollinRow } from './hollin-row.js';
