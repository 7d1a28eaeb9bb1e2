import { expose } from 'comlink';
import { findHere } from './find-here.ts';

expose(findHere);
