#!/usr/bin/env node
// Starts the terminal command; the sources are TypeScript and run as they are.
import { register } from 'tsx/esm/api';
import process from 'node:process';

register();
const { main } = await import('./src/main.ts');
process.exitCode = await main(process.argv.slice(2));
