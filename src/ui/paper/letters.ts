// What a font can print, and what it cannot.

/** Everything that is printed as text, wherever in a document it stands. */
function texts(node: unknown): string[] {
  if (typeof node === 'string') return [node];
  if (Array.isArray(node)) return node.flatMap(texts);
  if (typeof node !== 'object' || node === null) return [];
  return Object.entries(node).flatMap(([key, value]) =>
    key === 'svg' || key === 'image' ? [] : texts(value),
  );
}

/** The same document with accents on their letters, as fonts hold them, however they were typed (Unicode NFC). */
export function composed<Node>(node: Node): Node {
  const of = (one: unknown): unknown => {
    if (typeof one === 'string') return one.normalize('NFC');
    if (Array.isArray(one)) return one.map(of);
    if (typeof one !== 'object' || one === null) return one;
    return Object.fromEntries(Object.entries(one).map(([key, value]) => [key, of(value)]));
  };
  return of(node) as Node;
}

/** Letters of a document that a font does not hold, each once. */
export function lacking(document: unknown, held: ReadonlySet<number>): string[] {
  const all = new Set(texts(document).flatMap((text) => [...text]));
  return [...all].filter((letter) => !/\s/u.test(letter) && !held.has(letter.codePointAt(0) ?? 0));
}
