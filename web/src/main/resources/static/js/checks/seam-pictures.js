// The seam as a picture: the last frame, the first, and how the one behind the last differs from the first.
import { h } from '../common/dom.js';
import { differenceOf } from './picture-difference.js';

const WIDTH_PX = 240;
const LOUDER = 4; // how much a difference is raised to be seen

export class SeamPictures {
  /** @param picture the picture of the page, or null where there is none */
  constructor(checks, picture, element) {
    this.checks = checks;
    this.picture = picture;
    this.element = element;
    this.last = h('canvas', { role: 'img', 'aria-label': 'Last frame' });
    this.first = h('canvas', { role: 'img', 'aria-label': 'First frame' });
    this.difference = h('canvas', {
      role: 'img',
      'aria-label': 'Difference of the frame behind the last and the first',
    });
    this.says = h('figcaption');
    const figure = (canvas, caption) => h('figure', {}, canvas, caption);
    element.replaceChildren(
      figure(this.last, h('figcaption', { text: 'last' })),
      figure(this.first, h('figcaption', { text: 'first' })),
      figure(this.difference, this.says),
    );
    checks.addEventListener('found', () => this.draw());
  }

  draw() {
    const { found, isOpen, waiting, store } = this.checks;
    if (!isOpen || waiting || !found || !this.picture) return;
    const first = this.picture.shot(found.in, WIDTH_PX);
    const last = this.picture.shot(found.out, WIDTH_PX);
    const behind = store.header.handles > 0 ? this.picture.shot(found.out + 1, WIDTH_PX) : null;
    if (!first || !last) return;
    show(this.first, first);
    show(this.last, last);
    this.compare(first, behind);
    this.verify(first);
  }

  /** Draws what is at the end of each period that was found, as far as frames are known, and compares. */
  verify(first) {
    const { found, periods, store } = this.checks;
    const last = store.grid.first + store.grid.count - 1;
    for (const period of periods ?? []) {
      const at = found.in + period.frames;
      if (period.differs !== undefined || at > last) continue;
      const there = this.picture.shot(at, WIDTH_PX);
      if (there) period.differs = differenceOf(first, there, 1).percent;
    }
  }

  /** The difference, raised; and how large it is on average. */
  compare(first, behind) {
    if (!behind) {
      this.says.textContent = 'no handles: nothing is known behind the last frame';
      this.difference.width = this.difference.width; // eslint-disable-line no-self-assign -- clears it
      return;
    }
    const { image, percent } = differenceOf(first, behind, LOUDER);
    this.difference.width = first.width;
    this.difference.height = first.height;
    this.difference.getContext('2d').putImageData(image, 0, 0);
    this.says.textContent = `behind the last − first: ${percent.toFixed(2)} % (${LOUDER} × as bright)`;
  }
}

function show(to, from) {
  to.width = from.width;
  to.height = from.height;
  to.getContext('2d').drawImage(from, 0, 0);
}
