/** Beads and rows beside each other may differ so much in girth and breadth (from memory: 11/0 and 10/0 seeds still lie together). */
export const UNEVEN = 1.15;
