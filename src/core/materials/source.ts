/**
 * How a figure is known. `published`: a named standard or handbook; `practice`: common practice, no source;
 * `memory`: a commonly known value, written from memory; `measured`: by the maker.
 */
export type SourceKind = 'published' | 'practice' | 'memory' | 'measured';
