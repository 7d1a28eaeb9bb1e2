import type { Drive, ResultPicture } from '@pendrix/core';

export interface PictureWork {
  /** `told` hears how far it has come, 0 to 1 */
  readonly make: (
    drive: Drive,
    key: string,
    seed: number,
    told: (done: number) => void,
  ) => ResultPicture | null;
}
