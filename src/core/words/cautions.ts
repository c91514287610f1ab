import type { Caution } from '../plan/cautions';
import type { Said } from './said';

/** The usual caution beside a choice that can hurt someone. */
export function wordCaution(caution: Caution): Said {
  switch (caution) {
    case 'magnet':
      return {
        title: 'Magnet.',
        text: 'Keep it at least 15 cm (6 in) from implanted heart devices. Small magnets are dangerous if swallowed: not for children.',
      };
    case 'children':
      return {
        title: 'For a child.',
        text: 'Small beads are a choking hazard for young children, and a cord round an infant’s neck can strangle: a child’s necklace needs a breakaway clasp. Rules on lead and nickel differ by country.',
      };
    case 'swelling':
      return {
        title: 'Leave room.',
        text: 'Fingers and hands swell in heat and overnight. A ring or bangle that is tight to take off is too tight: take it off at night.',
      };
    case 'wire-ends':
      return { title: 'Wire ends fly.', text: 'Wear eye protection when you cut chain or open rings.' };
    case 'glue':
      return { title: 'Glue.', text: 'Air the room and wear gloves; keep to the words on the tube.' };
    case 'flame':
      return {
        title: 'Burner and flame.',
        text: 'If you melt the ends: the tip stays hot, and melting thread gives off fumes. Air the room.',
      };
    case 'nickel':
      return {
        title: 'Nickel.',
        text: 'Plated metal can release nickel. For sensitive skin choose parts sold as nickel free; rules differ by country.',
      };
    case 'sharp-edges':
      return {
        title: 'Sharp edges.',
        text: 'Bugles cut soft thread. Use gel-spun thread, and a seed at each end of a bugle.',
      };
  }
}
