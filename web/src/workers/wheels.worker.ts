import { expose } from 'comlink';
import { branchRows, wheelTrains } from '@pendrix/core';
import type { WheelsWork } from './wheels-work.ts';

const work: WheelsWork = { trains: wheelTrains, branches: branchRows };
expose(work);
