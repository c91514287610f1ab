import type { Clasp } from '@/core/materials/material';

const metal = {
  fill: 'none',
  stroke: '#b08d3e',
  strokeWidth: 0.9,
} as const;
const solid = {
  fill: '#d9c98f',
  stroke: '#7d6428',
  strokeWidth: 1,
  vectorEffect: 'non-scaling-stroke' as const,
};

/** A plate of metal from x = 0 to `l`. */
const Plate = ({ l, high }: { l: number; high: number }) => (
  <rect width={l} y={-high / 2} height={high} rx={0.8} {...solid} />
);

/** A lobster from x = 0 to `l`, its ring at the right. */
const Lobster = ({ l }: { l: number }) => (
  <>
    <path
      d={`M 0 0 Q ${l * 0.12} -${l * 0.3} ${l * 0.45} -${l * 0.22} Q ${l * 0.72} -${l * 0.16} ${l * 0.74} 0 Q ${l * 0.72} ${l * 0.16} ${l * 0.45} ${l * 0.22} Q ${l * 0.12} ${l * 0.3} 0 0 Z`}
      {...solid}
    />
    <ellipse
      cx={l * 0.4}
      rx={l * 0.17}
      ry={l * 0.1}
      fill="var(--card, #fffdf7)"
      stroke="#7d6428"
      strokeWidth={1}
      vectorEffect="non-scaling-stroke"
    />
    <circle cx={l * 0.87} r={l * 0.12 - 0.2} {...metal} />
  </>
);

/** What is set between the lobster and the work: a tip, a bar, a cap or a guard, `l` long. */
function Fitting({ shape, l }: { shape: Clasp['shape']; l: number }) {
  switch (shape) {
    case 'end bar':
      return <Plate l={l} high={9} />;
    case 'end cap':
      return <path d={`M 0 -1 Q ${l * 0.2} -4 ${l} -4 V 4 Q ${l * 0.2} 4 0 1 Z`} {...solid} />;
    case 'crimp':
      return <rect y={-1} width={l} height={2} rx={0.3} {...solid} />;
    case 'wire guard':
      return <path d={`M ${l} -1.2 H ${l * 0.5} A 1.2 1.2 0 0 0 ${l * 0.5} 1.2 H ${l}`} {...metal} />;
    default:
      return <ellipse cx={l / 2} rx={l / 2} ry={2} {...solid} />;
  }
}

/** The lobsters of closures that have a fitting of their own (from memory: 10 mm, and a ring of 4 mm). */
const LOBSTER_MM = 10;
const RING_MM = 4;

/** Links from x = 0 on, each so long inside. */
export const Links = ({ count, linkMm }: { count: number; linkMm: number }) => (
  <>
    {Array.from({ length: count }, (_, k) => (
      <ellipse
        key={k}
        cx={(k + 0.5) * linkMm}
        rx={linkMm / 2 + 0.35}
        ry={k % 2 === 0 ? Math.min(linkMm * 0.36, 2) : 0.4}
        {...metal}
        strokeWidth={0.6}
      />
    ))}
  </>
);

/** A bar of several strands from x = 0 on, across a strip: a ring at each strand. */
export function Bar({
  loops,
  lengthMm,
  widthMm,
}: {
  readonly loops: number;
  readonly lengthMm: number;
  readonly widthMm: number;
}) {
  const apartMm = widthMm / loops;
  const radius = lengthMm / 2;
  return Array.from({ length: loops }, (_, k) => (
    <g key={k} transform={`translate(${radius} ${(k - (loops - 1) / 2) * apartMm})`}>
      {k > 0 && <path d={`M 0 ${radius - apartMm} V ${-radius}`} {...metal} />}
      <circle r={radius} {...metal} strokeWidth={0.6} />
    </g>
  ));
}

/** How far a ball, a button or a bar stands out beyond where its loop takes hold, mm. */
export function overhangMm({ shape, buttonsMm }: Clasp): number {
  if (buttonsMm === null) return 0;
  if (shape === 'bar') return BAR_MM;
  return shape === 'ball' ? buttonsMm / Math.PI : buttonsMm / 2.1;
}
/** A bar is drawn so thick. */
const BAR_MM = 3;

/** The clasp half at the start of the piece: from x = 0 to its ring's inner edge, mm. */
export function ClaspStart({ clasp }: { clasp: Clasp }) {
  const l = clasp.startMm;
  switch (clasp.shape) {
    case 'toggle':
      return <circle cx={l / 2} r={l / 2 - 0.6} {...metal} strokeWidth={1.3} />;
    case 'spring ring':
      return (
        <>
          <circle cx={l / 2} r={l / 2 - 0.5} {...metal} strokeWidth={1.2} />
          <circle cx={l * 0.7} cy={-l * 0.38} r={0.5} {...solid} />
        </>
      );
    case 'magnetic':
      return (
        <path d={`M 0 -2.6 H ${l * 0.6} Q ${l} -2.6 ${l} 0 Q ${l} 2.6 ${l * 0.6} 2.6 H 0 Z`} {...solid} />
      );
    case 'box':
    case 'slide tube':
      return <Plate l={l} high={Math.max(6, 5 * clasp.loops)} />;
    case 'ball':
    case 'button':
      return <circle cx={-overhangMm(clasp) / 2} r={overhangMm(clasp) / 2} {...solid} />;
    case 'bar': {
      const across = clasp.barMm ?? 0;
      return <rect x={-BAR_MM} y={-across / 2} width={BAR_MM} height={across} rx={BAR_MM / 2} {...solid} />;
    }
    case 'ribbon':
      return <path d={`M 0 -3 Q ${l / 2} 0 ${l} -1.5 V 1.5 Q ${l / 2} 0 0 3 Z`} {...solid} />;
    case 'ring top':
      return <ellipse cx={l / 2} rx={l / 2} ry={l * 0.35} {...solid} />;
    case 'bead tip':
    case 'crimp':
    case 'end bar':
    case 'end cap':
    case 'wire guard':
      return (
        <>
          <Lobster l={LOBSTER_MM} />
          <g transform={`translate(${LOBSTER_MM} 0)`}>
            <Fitting shape={clasp.shape} l={l - LOBSTER_MM} />
          </g>
        </>
      );
    case 'ear wire':
      return (
        <>
          <path
            d={`M ${l} 0 H ${l * 0.8} L ${l * 0.4} 0 C 0 0 0 ${l * 0.45} ${l * 0.3} ${l * 0.45} H ${l * 0.85}`}
            {...metal}
          />
          <circle cx={l * 0.93} r={l * 0.07} {...metal} />
        </>
      );
    case 'lobster':
      return <Lobster l={l} />;
  }
}

/** The half at the end: from its ring's inner edge at x = 0 outwards, mm. */
export function ClaspEnd({ clasp }: { clasp: Clasp }) {
  const l = clasp.endMm;
  switch (clasp.shape) {
    case 'toggle':
      return (
        <>
          <path d={`M 0 0 H ${l - 1}`} {...metal} strokeWidth={1} />
          <rect x={l - 2} y={-9} width={2} height={18} rx={1} {...solid} />
        </>
      );
    case 'magnetic':
      return <path d={`M ${l} -2.6 H ${l * 0.4} Q 0 -2.6 0 0 Q 0 2.6 ${l * 0.4} 2.6 H ${l} Z`} {...solid} />;
    case 'box':
    case 'slide tube':
      return <Plate l={l} high={Math.max(4.8, 4.4 * clasp.loops)} />;
    case 'ribbon':
      return <path d={`M 0 -1.5 Q ${l / 2} 0 ${l} -3 V 3 Q ${l / 2} 0 0 1.5 Z`} {...solid} />;
    case 'ball':
    case 'button':
    case 'bar':
    case 'ring top':
    case 'ear wire':
      return null;
    case 'bead tip':
    case 'crimp':
    case 'end bar':
    case 'end cap':
    case 'wire guard':
      return (
        <>
          <g transform={`translate(${l - RING_MM} 0) scale(-1 1)`}>
            <Fitting shape={clasp.shape} l={l - RING_MM} />
          </g>
          <circle cx={l - RING_MM / 2} r={RING_MM / 2 - 0.4} {...metal} />
        </>
      );
    case 'spring ring':
    case 'lobster':
      return <circle cx={l / 2} r={l / 2 - 0.4} {...metal} />;
  }
}
