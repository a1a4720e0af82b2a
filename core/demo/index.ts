export { hollinRow } from './hollin-row.js';
export { drawJar, type DrawnJar, type JarLook } from './drawn-jar.js';
