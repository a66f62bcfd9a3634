// Ids are made here, so that sending something twice is harmless.

const BYTES = 16;
const TIME_BYTES = 6;

/**
 * A new id (UUID version 7, RFC 9562): it begins with the time, so that what is written
 * one after another lies side by side in the database.
 */
export function newId(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(BYTES));
  const now = Date.now();
  for (let i = 0; i < TIME_BYTES; i++) {
    bytes[i] = Math.floor(now / 256 ** (TIME_BYTES - 1 - i)) % 256;
  }
  bytes[6] = 0x70 | (bytes[6]! & 0x0f);
  bytes[8] = 0x80 | (bytes[8]! & 0x3f);
  const hex = [...bytes].map((b) => b.toString(16).padStart(2, '0')).join('');
  return hex.replace(/^(.{8})(.{4})(.{4})(.{4})(.{12})$/, '$1-$2-$3-$4-$5');
}
