import { ok } from '../../numbers/index.ts';
import { pixelScale, type Drive, type Rate } from '../../drive/index.ts';
import { undrivenExposure } from '../../follow/index.ts';
import { measured, timeText, type Rich } from '../../words/index.ts';
import { asField, numberIn, toDuty, type Aim } from '../question.ts';

/** A trail of so many pixels is still a star, when nobody says. */
const TRAIL = 2;

const scaleOf = (drive: Drive): number =>
  pixelScale(numberIn(drive, 'camera', 'pixelUm'), numberIn(drive, 'camera', 'focalMm'));

const timed = (seconds: number): Rich => {
  const [value, unit] = timeText(seconds);
  return [value, { unit }];
};

/** A mirror on the polar axis turns half as fast as what it shows. */
const MIRROR = 'mirror';

/** Stars, sun, moon. */
export const sky: Aim = {
  title: 'Follow the sky',
  hint: 'stars, sun, moon, a mirror',
  begins: [
    { do: 'addDuty', duty: 'rates' },
    { do: 'addDuty', duty: 'camera', with: { trailPx: TRAIL, focalMm: 50, pixelUm: 4, exposureSeconds: 60 } },
  ],
  questions: [
    {
      id: 'what',
      title: 'What it follows',
      hint: 'a turn in about a day',
      example: '',
      taken: 'stars',
      options: [
        { value: 'stars', title: 'stars' },
        { value: 'sun', title: 'the sun' },
        { value: 'moon', title: 'the moon' },
        { value: MIRROR, title: 'a mirror for the sun' },
      ],
      get: ({ job }) => {
        const rate: Rate | undefined = job.rates?.[0];
        return rate === undefined ? '' : rate.half ? MIRROR : rate.kind;
      },
      set: (_, text) =>
        ok([
          toDuty('rates', 'kind', text === MIRROR ? 'sun' : text),
          toDuty('rates', 'half', text === MIRROR ? 'true' : ''),
        ]),
      means: () => [],
    },
    {
      id: 'lens',
      title: 'Lens',
      hint: 'the longest you will use',
      unit: 'mm',
      example: '50',
      taken: '50',
      ...asField('camera', 'focalMm'),
      means: () => ['wider is easier: half the lens, twice the time'],
    },
    {
      id: 'exposure',
      title: 'One exposure',
      hint: 'that must stay round',
      unit: 's',
      example: '60',
      taken: '60',
      ...asField('camera', 'exposureSeconds'),
      means: (drive) => [
        'without a drive stars trail after ',
        ...timed(undrivenExposure(numberIn(drive, 'camera', 'trailPx') || TRAIL, scaleOf(drive), 0)),
      ],
    },
    {
      id: 'pixel',
      title: 'Camera',
      hint: 'size of a pixel',
      unit: 'µm',
      example: '4',
      taken: '4',
      ...asField('camera', 'pixelUm'),
      means: (drive) => [`one pixel is ${measured(scaleOf(drive))}″ of sky`],
    },
  ],
};
