// `npm run docs`: writes the tables of docs/formats.md anew from the registries of kinds.
import { readFileSync, writeFileSync } from 'node:fs';
import { register } from 'tsx/esm/api';

register();
const { withTables } = await import('../docs/tables.ts');
const file = new URL('../docs/formats.md', import.meta.url);
const before = readFileSync(file, 'utf8');
const after = withTables(before);
if (after !== before) writeFileSync(file, after);
console.log(after === before ? 'docs/formats.md was up to date' : 'docs/formats.md is written');
