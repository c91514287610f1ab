'use client';

import { withWords } from '@/core/words/glossary';
import { Term } from './Term';

/** A text in which every word of the craft says, when it is pressed, what it means. */
export const WithTerms = ({ text }: { readonly text: string }) =>
  withWords(text).map((part, i) =>
    typeof part === 'string' ? (
      part
    ) : (
      <Term key={i} word={part.word}>
        {part.as}
      </Term>
    ),
  );
