/** A new identity for a record. Over plain http from another machine there is no `randomUUID`, but there are random bytes. */
export function newId(from: Crypto = crypto): string {
  if (typeof from.randomUUID === 'function') return from.randomUUID();
  const bytes = from.getRandomValues(new Uint8Array(16));
  return [...bytes].map((b) => b.toString(16).padStart(2, '0')).join('');
}
