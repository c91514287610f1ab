'use client';

import { App, Button, Dropdown } from 'antd';
import { useState } from 'react';
import { fileName } from '@/core/files/fileName';
import { sheetOf, type Sheet } from '@/core/paper/sheet';
import { partOf } from '@/core/piece/partOfPiece';
import type { Piece } from '@/core/piece/piece';
import type { Plan } from '@/core/plan/plan';
import { LookingAt } from '../piece/looks';
import { drawingBox } from '../piece/PieceDrawing';
import { useAtHand } from '../shell/atHand';
import { useLengths } from '../shell/lengths';
import { useLookups } from '../shell/useLookups';
import { Drawings, Strip } from './Drawings';
import { paperSvg } from './paperSvg';
import { quantitiesCsv } from './quantitiesCsv';
import { savePdf } from './savePdf';
import { saveFile, takeFile } from './saveFile';
import type { PaperDrawings } from './sheetContent';
import type { Paper } from './sheetDoc';
import styles from './paper.module.css';

interface Props {
  readonly id: string;
  readonly piece: Piece;
  readonly plan: Plan;
}

type Making =
  { readonly what: 'sheet'; readonly sheet: Sheet; readonly paper: Paper } | { readonly what: 'drawing' };

/** So many letters show what is meant. */
const MOST_LETTERS = 5;

/** The plan to be taken along: as a sheet to lie on the table, a drawing, quantities, or a file that comes in again. */
export function TakeAlong({ id, piece, plan }: Props) {
  const { message } = App.useApp();
  const { settings } = useAtHand();
  const { style } = useLengths();
  const lookups = useLookups();
  const [making, setMaking] = useState<Making | null>(null);
  const own = partOf(piece);
  const name = fileName(piece.name);
  const sheet = () => sheetOf(piece, plan, settings, style, lookups);
  const print = async (told: Sheet, paper: Paper, drawings: PaperDrawings) => {
    try {
      const boxes = await savePdf(told, drawings, paper, `${name}.pdf`);
      if (boxes.length > 0)
        void message.warning(
          `The sheet is made, but its type has no ${boxes.slice(0, MOST_LETTERS).join(' ')}${boxes.length > MOST_LETTERS ? ' and others' : ''}: they are printed as boxes. Names in Latin, Greek or Cyrillic letters are printed whole.`,
          10,
        );
    } catch {
      void message.error(
        'The sheet could not be made here. Reload the page and try again; nothing was changed.',
      );
    } finally {
      setMaking(null);
    }
  };
  const onSheet = (paper: Paper) => () => setMaking({ what: 'sheet', sheet: sheet(), paper });
  return (
    <>
      <Dropdown
        trigger={['click']}
        menu={{
          items: [
            { key: 'a4', label: 'Sheet on A4 (PDF)', onClick: onSheet('A4') },
            { key: 'letter', label: 'Sheet on Letter (PDF)', onClick: onSheet('Letter') },
            {
              key: 'svg',
              label: 'Drawing at true size (SVG)',
              onClick: () => setMaking({ what: 'drawing' }),
            },
            {
              key: 'csv',
              label: 'Quantities (CSV)',
              onClick: () => saveFile(quantitiesCsv(sheet()), `${name}-quantities.csv`, 'text/csv'),
            },
            {
              key: 'json',
              label: 'The piece (JSON)',
              onClick: () => takeFile(`/api/files/piece?id=${id}`),
            },
          ],
        }}
      >
        <Button loading={making !== null}>Take along</Button>
      </Dropdown>
      {making?.what === 'sheet' && (
        <Drawings
          piece={own}
          plan={plan}
          sheet={making.sheet}
          paper={making.paper}
          onDrawn={(drawings) => void print(making.sheet, making.paper, drawings)}
        />
      )}
      {making?.what === 'drawing' && (
        <WholeDrawing
          piece={own}
          plan={plan}
          onDrawn={(svg) => {
            saveFile(svg, `${name}.svg`, 'image/svg+xml');
            setMaking(null);
          }}
        />
      )}
    </>
  );
}

const AS_IT_IS = { teaching: false, marks: false, onPaper: true } as const;

/** The whole piece at its true size, drawn where nobody sees it. */
function WholeDrawing({
  piece,
  plan,
  onDrawn,
}: {
  readonly piece: ReturnType<typeof partOf>;
  readonly plan: Plan;
  readonly onDrawn: (svg: string) => void;
}) {
  const { from, wideMm } = drawingBox({ piece, plan });
  return (
    <LookingAt looking={AS_IT_IS}>
      <div
        className={styles.unseen}
        aria-hidden
        ref={(place) => {
          const svg = place?.querySelector('svg');
          if (svg) onDrawn(`${paperSvg(svg, wideMm)}\n`);
        }}
      >
        <Strip piece={piece} plan={plan} fromMm={from[0]} wideMm={wideMm} />
      </div>
    </LookingAt>
  );
}
