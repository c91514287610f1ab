/** A line of the screen is so thick on paper, mm. */
const LINE_MM = 0.16;

/** Of what a style sheet says, what a drawing on paper needs said on the element itself. */
const SAID = [
  'fill',
  'stroke',
  'stroke-width',
  'font-size',
  'font-weight',
  'text-anchor',
  'opacity',
] as const;

const isColour = (value: string) => /^rgba?\(|^#/.test(value);

/** A colour as any reader of SVG knows it, without what shines through. */
function plainColour(value: string): string {
  const parts = /^rgba?\(([\d.]+),? ([\d.]+),? ([\d.]+)/.exec(value);
  if (!parts) return value;
  return `#${parts
    .slice(1, 4)
    .map((part) => Math.round(Number(part)).toString(16).padStart(2, '0'))
    .join('')}`;
}

/**
 * A drawing of the screen as SVG that stands alone: what style sheets say is said in it, lines are as thick as on paper whatever the
 * scale, and text whose outline is painted behind it is drawn twice. It must be in the page, so that its styles are known.
 * @param widthMm how wide it is printed
 */
export function paperSvg(drawn: SVGSVGElement, widthMm: number): string {
  const copy = drawn.cloneNode(true) as SVGSVGElement;
  const box = drawn.viewBox.baseVal;
  const perMm = box.width / widthMm;
  const [from, to] = [[...drawn.querySelectorAll('*')], [...copy.querySelectorAll('*')]];
  from.forEach((element, i) => {
    const target = to[i];
    if (!target) return;
    const style = getComputedStyle(element);
    if (element.hasAttribute('class'))
      for (const name of SAID) {
        const value = style.getPropertyValue(name);
        if (value !== '' && !(name === 'opacity' && value === '1'))
          target.setAttribute(name, isColour(value) ? plainColour(value) : value.replace(/px$/, ''));
      }
    for (const name of ['fill', 'stroke'] as const)
      if (element.getAttribute(name)?.includes('var('))
        target.setAttribute(name, plainColour(style.getPropertyValue(name)));
    if (style.getPropertyValue('vector-effect') === 'non-scaling-stroke') {
      const width = Number(target.getAttribute('stroke-width') ?? 1);
      target.setAttribute('stroke-width', String(width * LINE_MM * perMm));
      const dashes = target.getAttribute('stroke-dasharray');
      if (dashes)
        target.setAttribute(
          'stroke-dasharray',
          dashes
            .split(/[ ,]+/)
            .map((dash) => Number(dash) * 2 * LINE_MM * perMm)
            .join(' '),
        );
      target.removeAttribute('vector-effect');
    }
    const moved = /translate\(([-\d.]+)px(?:, ?([-\d.]+)(?:px)?)?\)/.exec(
      (element as SVGElement).style.transform,
    );
    if (moved) target.setAttribute('transform', `translate(${moved[1]} ${moved[2] ?? 0})`);
    target.removeAttribute('style');
    target.removeAttribute('class');
    if (
      target.tagName === 'text' &&
      target.hasAttribute('stroke') &&
      target.getAttribute('stroke') !== 'none'
    ) {
      const behind = target.cloneNode(true) as Element;
      behind.setAttribute('fill', 'none');
      target.before(behind);
      target.removeAttribute('stroke');
      target.removeAttribute('stroke-width');
    }
  });
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  for (const name of ['class', 'style', 'role', 'aria-label', 'aria-hidden', 'focusable'])
    copy.removeAttribute(name);
  copy.setAttribute('width', `${widthMm}mm`);
  copy.setAttribute('height', `${((widthMm * box.height) / box.width).toFixed(3)}mm`);
  return new XMLSerializer().serializeToString(copy);
}
