/** Kinds of picture that are kept: those that hold nothing that could be run. */
export const PHOTO_KINDS = ['image/jpeg', 'image/png', 'image/webp'] as const;
export type PhotoKind = (typeof PHOTO_KINDS)[number];

/** A photograph is no larger than this: the browser makes a larger one smaller before it sends it. */
export const MOST_PHOTO_BYTES = 3 * 1024 * 1024;

const startsWith = (bytes: Uint8Array, start: readonly number[], from = 0): boolean =>
  start.every((byte, i) => bytes[from + i] === byte);

/** What kind of picture some bytes are, by how they begin (as the standards of JPEG, PNG and WebP say); null where they are none of these. */
export function photoKind(bytes: Uint8Array): PhotoKind | null {
  if (startsWith(bytes, [0xff, 0xd8, 0xff])) return 'image/jpeg';
  if (startsWith(bytes, [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a])) return 'image/png';
  const riff = startsWith(bytes, [0x52, 0x49, 0x46, 0x46]);
  return riff && startsWith(bytes, [0x57, 0x45, 0x42, 0x50], 8) ? 'image/webp' : null;
}
