import type { DutyChart, DutySeries } from '../duties/duty.ts';
import { angleText, measured } from '../../words/index.ts';
import type { ResultPicture } from './pictures.ts';
import type { TrackingPicture } from './tracking.ts';

type Points = DutySeries['points'];
const main = (name: string, points: Points): DutySeries => ({ name, points, look: 'main' });
const level = (name: string, y: number, to: number): DutySeries => ({
  name,
  points: [
    [0, y],
    [to, y],
  ],
  look: 'limit',
});

function trackCharts(p: TrackingPicture): readonly DutyChart[] {
  const [minutes, half] = [p.seconds / 60, p.camera ? p.camera.allowed / p.camera.seen / 2 : 0];
  const record: DutyChart = {
    key: 'picture.record',
    title: 'Error while following',
    x: 'min',
    y: '″',
    series: [
      main(
        'all causes, simulated',
        p.record.map(([t, e]): [number, number] => [t / 60, e]),
      ),
      ...(half > 0 ? [level('what looks round', half, minutes), level('', -half, minutes)] : []),
    ],
    message: `${angleText(p.peakToPeak)} from least to greatest, ${angleText(p.rms)} root mean square.`,
  };
  if (p.shares.length === 0) return [record];
  return [
    record,
    {
      key: 'picture.shares',
      title: 'Exposures that stay round',
      x: 's',
      y: ' %',
      series: [
        main(
          'share of all starts',
          p.shares.map((s): [number, number] => [s.seconds, 100 * s.share]),
        ),
        ...(p.exposure === null
          ? []
          : [
              {
                name: `${p.exposure} s asked`,
                points: [
                  [p.exposure, 0],
                  [p.exposure, 100],
                ] as [number, number][],
                look: 'limit' as const,
              },
            ]),
      ],
      message: p.message,
    },
  ];
}

/** The charts of a picture. */
export function pictureCharts(p: ResultPicture): readonly DutyChart[] {
  switch (p.kind) {
    case 'track':
      return trackCharts(p);
    case 'divide':
      return [
        {
          key: 'picture.teeth',
          title: 'Error at each gap',
          x: 'gap',
          y: '″',
          series: [
            main(
              'simulated',
              p.errors.map((e, i): [number, number] => [i + 1, e]),
            ),
          ],
          message: `${angleText(Math.max(...p.errors) - Math.min(...p.errors))} from least to greatest.`,
        },
      ];
    case 'spin':
      return [
        {
          key: 'picture.speed',
          title: 'Speed over one turn',
          x: '°',
          y: ' %',
          series: [
            main(
              'of an even speed',
              p.curve.map((v, i): [number, number] => [(360 * i) / p.curve.length, v]),
            ),
          ],
          message: p.message,
        },
      ];
    case 'sweep':
      return [
        {
          key: 'picture.frames',
          title: 'Off at each frame',
          x: 'frame',
          y: p.unit === 'deg' ? '°' : ` ${p.unit}`,
          series: [
            main(
              'simulated',
              p.frames.map((f, i): [number, number] => [i + 1, f.off]),
            ),
          ],
          message: p.message,
        },
      ];
  }
}

/** What a picture says beside itself, strong and plain. */
export function pictureMessage(p: ResultPicture): { readonly strong: string; readonly rest: string } {
  switch (p.kind) {
    case 'track': {
      const [worst] = p.waves;
      return {
        strong: p.message,
        rest: worst
          ? `The ${worst.title} brings most of what comes again: ±${angleText(worst.arcsec)} every ${measured(worst.periodSeconds)} s.`
          : 'Nothing that is known comes again with a shaft.',
      };
    }
    case 'divide': {
      return {
        strong: `Farthest off: ${angleText(Math.abs(p.farthest.arcsec))}.`,
        rest: 'One wheel of chance; another seed is another wheel.',
      };
    }
    default:
      return { strong: p.message, rest: '' };
  }
}
