import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { outputs, sources, stages } from './drive/index.ts';

const src = new URL('./', import.meta.url);
const rooms = readdirSync(src, { withFileTypes: true })
  .filter((e) => e.isDirectory() && e.name !== 'testing')
  .map((e) => e.name);

const read = (path: string): string => readFileSync(new URL(path, src), 'utf8');
const names = (index: string): string[] =>
  [...index.matchAll(/export (?:type )?\{([^}]*)\}/g)]
    .flatMap((m) => m[1]!.split(','))
    .map((n) => n.replace(/^\s*type /, '').trim())
    .filter(Boolean);

describe('each room', () => {
  test('there are some', () =>
    expect(rooms).toEqual(expect.arrayContaining(['numbers', 'drive', 'divide', 'run', 'report', 'files'])));

  test.each(rooms)('%s has an index with names only, and a README that lists them', (room) => {
    const index = read(`${room}/index.ts`);
    expect(index.replace(/export (type )?\{[^}]*\} from '[^']+';/g, '').trim()).toBe('');
    expect(existsSync(new URL(`${room}/README.md`, src))).toBe(true);
    const readme = read(`${room}/README.md`);
    expect(readme.split('\n').length).toBeLessThanOrEqual(41);
    const missing = names(index).filter((n) => !readme.includes(`\`${n}\``));
    expect(missing).toEqual([]);
  });

  test('"handbook: page" in a comment leads to a page', () => {
    const pages = new Set<string>();
    const walk = (dir: URL): void => {
      for (const e of readdirSync(dir, { withFileTypes: true })) {
        if (e.isDirectory()) walk(new URL(`${e.name}/`, dir));
        else
          for (const m of readFileSync(new URL(e.name, dir), 'utf8').matchAll(/handbook: ([a-z]+)/g))
            pages.add(m[1]!);
      }
    };
    walk(src);
    expect(pages.size).toBeGreaterThan(3);
    for (const page of pages)
      if (page !== 'page')
        expect([
          page,
          existsSync(new URL(`../../docs/handbook/${page === 'README' ? 'README' : page}.md`, src)),
        ]).toEqual([page, true]);
  });

  test('no file but the registry lists kinds of stage', () => {
    const kinds = Object.keys(stages).filter((k) => !['belt', 'worm', 'box', 'geneva', 'ratio'].includes(k));
    expect(kinds.length).toBeGreaterThan(5);
    const lists: string[] = [];
    const walk = (dir: URL): void => {
      for (const e of readdirSync(dir, { withFileTypes: true })) {
        const at = new URL(e.isDirectory() ? `${e.name}/` : e.name, dir);
        if (e.isDirectory()) {
          if (!['testing', 'stages', 'node_modules', 'dist'].includes(e.name)) walk(at);
        } else if (/(?<!\.test|\.bench)\.(ts|vue)$/.test(e.name)) {
          const text = readFileSync(at, 'utf8');
          const named = kinds.filter((k) => text.includes(`'${k}'`));
          if (named.length > 2) lists.push(`${e.name}: ${named.join(' ')}`);
        }
      }
    };
    for (const room of ['core/src/', 'web/src/', 'cli/src/']) walk(new URL(`../../${room}`, src));
    expect(lists).toEqual([]);
  });

  /**
   * Who asks a stage, a source or an output for one kind by its name. What a kind knows belongs in its own file: nobody joins this list,
   * and who leaves it is taken off.
   */
  const STILL_NAMED: Readonly<Record<string, readonly string[]>> = {
    'core/src/arbors/cures.ts': ['spur'],
    'core/src/divide/cures.ts': ['stepper'],
    'core/src/drive/edits/curve.ts': ['stepper'],
    'core/src/drive/edits/job.ts': ['rotary'],
    'core/src/drive/edits/output.ts': ['rotary'],
    'core/src/drive/edits/source.ts': ['stepper'],
    'core/src/drive/edits/trains.ts': ['spring'],
    'core/src/drive/kinematics.ts': ['spring'],
    'core/src/drive/together-fault.ts': ['rotary'],
    'core/src/drive/trains-fault.ts': ['spring'],
    'core/src/drive/trains.ts': ['spring'],
    'core/src/errors/causes/give.ts': ['belt', 'rotary'],
    'core/src/errors/causes/lost-motion.ts': ['worm'],
    'core/src/errors/causes/motor.ts': ['crank', 'encoderMotor', 'stepper'],
    'core/src/errors/reach.ts': ['stepper'],
    'core/src/errors/samples.ts': ['belt'],
    'core/src/exports/drawings.ts': ['crank'],
    'core/src/find/join.ts': ['ratio'],
    'core/src/force/force.ts': ['stepper'],
    'core/src/make/build.ts': ['rotary'],
    'core/src/make/parts.ts': ['belt', 'stepper'],
    'core/src/make/shafts.ts': ['rotary'],
    'core/src/plans/run-plan.ts': ['crank', 'encoderMotor'],
    'core/src/report/duties/arm/arm.ts': ['synchronous', 'tangentArm'],
    'core/src/report/duties/controller/controller.ts': ['encoderMotor'],
    'core/src/report/duties/in-time/in-time.ts': ['spring'],
    'core/src/report/duties/plates/plates.ts': ['crank'],
    'core/src/report/duties/rates/rates.ts': ['tangentArm'],
    'core/src/report/errors/matrix.ts': ['worm'],
    'core/src/report/find/find.ts': ['spur'],
    'core/src/report/find/found-train.ts': ['stepper'],
    'core/src/report/force/cures.ts': ['stepper'],
    'core/src/report/force/forms.ts': ['encoderMotor', 'stepper'],
    'core/src/report/make/belts.ts': ['belt'],
    'core/src/report/marks.ts': ['belt'],
    'core/src/report/train/train.ts': ['encoderMotor', 'internal', 'spur'],
    'core/src/report/train/work.ts': ['rotary'],
    'core/src/report/what-if.ts': ['encoderMotor', 'stepper'],
    'core/src/shelf/follow.ts': ['stepper'],
    'core/src/shelf/kinds/belt.ts': ['belt'],
    'core/src/shelf/kinds/driver.ts': ['stepper'],
    'core/src/shelf/kinds/motor.ts': ['stepper'],
    'core/src/teeth/worm.ts': ['worm'],
    'core/src/turning/motor.ts': ['encoderMotor', 'gearMotor', 'stepper'],
    'web/src/stations/check/ForceTab.vue': ['stepper'],
    'web/src/stations/train/SourceCard.vue': ['stepper'],
    'web/src/stations/train/TrainPage.vue': ['box', 'ratio'],
  };
  test('no other file asks for a stage, a source or an output by its name', () => {
    const kinds = [stages, sources, outputs].flatMap((registry) => Object.keys(registry));
    const asks = new RegExp(`\\bkind\\b\\)?\\s*[!=]==\\s*'(${kinds.join('|')})'`, 'g');
    const named: Record<string, readonly string[]> = {};
    const walk = (dir: string): void => {
      for (const e of readdirSync(new URL(`../../${dir}`, src), { withFileTypes: true })) {
        const at = `${dir}${e.name}`;
        if (e.isDirectory()) {
          if (!/^(testing|stages|sources|outputs|node_modules|dist)$/.test(e.name)) walk(`${at}/`);
        } else if (/(?<!\.test|\.bench)\.(ts|vue)$/.test(e.name)) {
          const text = readFileSync(new URL(`../../${at}`, src), 'utf8');
          const found = [...new Set([...text.matchAll(asks)].map((m) => m[1]!))].sort();
          if (found.length > 0) named[at] = found;
        }
      }
    };
    for (const room of ['core/src/', 'web/src/', 'cli/src/', 'server/src/']) walk(room);
    expect(named).toEqual(STILL_NAMED);
  });
});
