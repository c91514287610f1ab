import * as z from 'zod';
import { seamSchema } from './seam';
import { sequenceSchema } from './structure';

/** Beads of one unit of a section, rows or beads; a stitch may take fewer. */
const MOST = 24;
export const MOST_TIMES = 500;
/** More sections than a piece has on either side of what is fitted. */
export const MOST_SECTIONS = 8;

/** Another stitch, in which a section is made by itself, and how it is joined to the one nearer to the part's own units. */
const otherStitchSchema = z.object({
  id: z.string().max(40),
  params: z.record(z.string(), z.unknown()),
  /** As broad as what it is joined to, whatever its own breadth says. */
  matched: z.boolean(),
  seam: seamSchema,
});
export type OtherStitch = z.infer<typeof otherStitchSchema>;

/** So many units of other beads in the same stitch, or of another stitch. */
const sectionSchema = z.object({
  /** Of a section in the same stitch: its unit. */
  sequence: sequenceSchema(MOST),
  times: z.number().int().min(1, 'A section has one unit at least.').max(MOST_TIMES),
  other: otherStitchSchema.optional(),
});
export type SectionChoice = z.infer<typeof sectionSchema>;

/** What lies along a piece before and after the units of its own, which take up what is left of the length. */
export const sectionsSchema = z.object({
  before: z.array(sectionSchema).max(MOST_SECTIONS),
  after: z.array(sectionSchema).max(MOST_SECTIONS),
  /** Once more in the opposite order, from the middle of the last of them on. */
  mirrored: z.boolean(),
});
export type Sections = z.infer<typeof sectionsSchema>;

export const NO_SECTIONS: Sections = { before: [], after: [], mirrored: false };

export const hasSections = (sections: Sections | undefined): sections is Sections =>
  sections !== undefined && sections.before.length + sections.after.length > 0;

/** Units of a new section, to be written over. */
export const FEW_UNITS = 5;

/** One of what lies along a piece, in order: a section, or the part's own units, which take up the rest. */
export type Listed = { readonly own: true } | ({ readonly own: false } & SectionChoice);

const OWN: Listed = { own: true };

/** Sections and the part's own units in the order in which they lie. */
export const listed = ({ before, after }: Sections = NO_SECTIONS): Listed[] => [
  ...before.map((one): Listed => ({ own: false, ...one })),
  OWN,
  ...after.map((one): Listed => ({ own: false, ...one })),
];
