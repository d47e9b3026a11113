// Curves that nobody has in hand, in a layer of their own that is painted once and left alone.
import { s } from '../common/dom.js';

export class GraphUnder {
  constructor(svg) {
    this.svg = svg;
    this.boxes = new Map();
  }

  /**
   * @param scale where things stand
   * @param inside gives the elements of a pane
   */
  draw(scale, inside) {
    const viewBox = `0 0 ${scale.width} ${scale.height}`;
    if (this.svg.getAttribute('viewBox') !== viewBox) this.svg.setAttribute('viewBox', viewBox);
    fill(
      this.svg,
      scale.panes.map((pane) => this.box(scale, pane, inside(pane))),
    );
  }

  box(scale, pane, elements) {
    const place = [scale.left, pane.top, scale.right - scale.left, pane.height];
    const known = this.boxes.get(pane.name);
    if (known?.place === place.join()) {
      fill(known.box, [known.back, ...elements]);
      return known.box;
    }
    const [x, y, width, height] = place;
    const back = s('rect', { class: 'pane-back', x, y, width, height });
    const box = s('svg', { class: 'pane', x, y, width, height, viewBox: place.join(' ') }, back, ...elements);
    this.boxes.set(pane.name, { place: place.join(), box, back });
    return box;
  }
}

/** Touches a parent only if it holds something else than these elements. */
function fill(parent, elements) {
  const { children } = parent;
  if (children.length === elements.length && elements.every((element, i) => children[i] === element)) return;
  parent.replaceChildren(...elements);
}
