const LOCK = 'pendrix-driving';

/** Tells every tab of this browser that this one has a controller, until what it gives is called or the page goes. */
export function holdDriving(locks: LockManager | null = globalThis.navigator?.locks ?? null): () => void {
  let release: () => void = () => undefined;
  const held = new Promise<void>((done) => (release = done));
  locks?.request(LOCK, { mode: 'shared' }, () => held).catch(() => undefined);
  return release;
}

/** Has any tab of this browser a controller? false where the browser does not tell. */
export async function someoneDrives(
  locks: LockManager | null = globalThis.navigator?.locks ?? null,
): Promise<boolean> {
  const held = (await locks?.query())?.held ?? [];
  return held.some((l) => l.name === LOCK);
}
