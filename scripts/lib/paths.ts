import path from 'node:path';

export const ROOT = path.resolve(import.meta.dirname, '../..');
export const bin = (name: string) => path.join(ROOT, 'node_modules/.bin', name);
