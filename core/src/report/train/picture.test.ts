import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { clearOf, roomOf } from '../../drive/drawing/index.ts';
import { newDrive, refuseTrain, type Drive, type Stage } from '../../drive/index.ts';
import { readDrive } from '../../files/index.ts';
import { anyStage } from '../../testing/any-stage.ts';
import { driveOf } from '../../testing/samples.ts';
import { labelWidths, type Picture } from './picture.ts';
import { report } from '../report.ts';

const [COLUMN, HEIGHT] = [205, 314];
const drawn = (drive: Drive): Picture => report(drive).picture(COLUMN, HEIGHT);

/** Everything that words touch which they should not. */
function touching({ labels, drawing }: Picture): readonly string[] {
  const rooms = labels.map((l) =>
    roomOf({ x: l.x, y: l.y, widths: labelWidths(l) }, l.message.length > 0 ? 2 : 1),
  );
  return rooms.flatMap((room, i) => [
    ...drawing.solids.filter((s) => !clearOf(room, s)).map(() => `${labels[i]!.title} on a part`),
    ...rooms
      .slice(i + 1)
      .filter((other) => !clearOf(room, other))
      .map(() => `${labels[i]!.title} on words`),
    ...(room.x < 0 || room.y < 0 || room.y + room.h > HEIGHT ? [`${labels[i]!.title} outside`] : []),
  ]);
}

const demo = new URL('../../../../demo/', import.meta.url);
const demos = readdirSync(demo)
  .filter((f) => f.endsWith('.pendrix.json'))
  .map((f) => [f, readFileSync(new URL(f, demo), 'utf8')] as const);

describe('the words of a drawing', () => {
  test.each(demos)('of %s touch neither one another nor a part, and none is left out', (_, text) => {
    const read = readDrive(text);
    if (!read.ok) throw new Error(read.refusal.code);
    const picture = drawn(read.value);
    expect(touching(picture)).toEqual([]);
    expect(picture.labels.length).toBe(picture.drawing.tags.length + 1);
  });

  test('of 200 random trains touch nothing; nine of ten are there', () => {
    let [asked, shown] = [0, 0];
    fc.assert(
      fc.property(fc.array(anyStage, { maxLength: 7 }), (stages) => {
        const drive = driveOf(200, 16, stages);
        fc.pre(refuseTrain(drive.train) === null);
        const picture = drawn(drive);
        asked += picture.drawing.tags.length + 1;
        shown += picture.labels.length;
        expect(touching(picture)).toEqual([]);
      }),
      { numRuns: 200, seed: 10 },
    );
    expect(shown / asked).toBeGreaterThan(0.9);
  });

  const titles = (stage: Stage): readonly string[] =>
    drawn(driveOf(200, 1, [stage]))
      .labels.slice(1)
      .map((l) => l.title.replaceAll('\u2009', ' '));

  test('a wheel is called by its own teeth, one without teeth by its diameter', () => {
    expect(titles({ kind: 'cycloidPinion', lobes: 23 })).toEqual(expect.arrayContaining(['1', '23']));
    expect(titles({ kind: 'friction', d1: '20.5', d2: '199.9' })).toEqual(
      expect.arrayContaining(['20.5 mm', '199.9 mm']),
    );
  });

  test('a scale stands only where every size was given', () => {
    const bar = (stage: Stage): string => drawn(driveOf(200, 1, [stage])).bar?.message ?? '';
    expect(bar({ kind: 'spur', z1: 20, z2: 60 })).toContain('not to scale');
    expect(bar({ kind: 'spur', z1: 20, z2: 60, moduleMm: 1 })).toContain('pitch diameters to scale');
    expect(drawn(newDrive('empty')).bar).toBeNull();
  });
});
