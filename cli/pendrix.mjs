#!/usr/bin/env node
// Starts the terminal command; the sources are TypeScript and run as they are.
import { register } from 'tsx/esm/api';
import process from 'node:process';

register();
// who reads with `head` has enough before we are done
process.stdout.on('error', (fault) => {
  if (fault.code !== 'EPIPE') throw fault;
  process.exit(0);
});
const { main } = await import('./src/main.ts');
process.exitCode = await main(process.argv.slice(2));
