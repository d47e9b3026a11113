// The seam as a picture: the last frame, the first, and how the one behind the last differs from the first.
import { h } from '../common/dom.js';

const WIDTH_PX = 240;
const LOUDER = 4; // how much a difference is raised to be seen
const OPAQUE = 255;
const CHANNELS = 4;

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
  }

  /** The difference, raised; and how large it is on average. */
  compare(first, behind) {
    if (!behind) {
      this.says.textContent = 'no handles: nothing is known behind the last frame';
      this.difference.width = this.difference.width; // eslint-disable-line no-self-assign -- clears it
      return;
    }
    const { width, height } = first;
    const read = (canvas) => canvas.getContext('2d').getImageData(0, 0, width, height);
    const [a, b] = [read(first), read(behind)];
    let sum = 0;
    for (let i = 0; i < a.data.length; i++) {
      const off = Math.abs(a.data[i] - b.data[i]);
      if (i % CHANNELS !== CHANNELS - 1) sum += off;
      a.data[i] = i % CHANNELS === CHANNELS - 1 ? OPAQUE : Math.min(OPAQUE, off * LOUDER);
    }
    this.difference.width = width;
    this.difference.height = height;
    this.difference.getContext('2d').putImageData(a, 0, 0);
    const share = (100 * sum) / (OPAQUE * 3 * width * height);
    this.says.textContent = `behind the last − first: ${share.toFixed(2)} % (${LOUDER} × as bright)`;
  }
}

function show(to, from) {
  to.width = from.width;
  to.height = from.height;
  to.getContext('2d').drawImage(from, 0, 0);
}
