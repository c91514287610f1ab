/** Words of ours are told; what Zod says by itself of types and ranges is for programmers. */
export const ourWords = (message: string): string =>
  /^(Invalid|Too|Unrecognized)\b/.test(message) ? 'not as this version knows it.' : message;
