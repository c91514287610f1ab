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
      return <rect width={l} y={-3} height={6} rx={0.8} {...solid} />;
    case 'lobster':
      return (
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
      return <rect width={l} y={-2.4} height={4.8} rx={0.6} {...solid} />;
    case 'spring ring':
    case 'lobster':
      return <circle cx={l / 2} r={l / 2 - 0.4} {...metal} />;
  }
}
