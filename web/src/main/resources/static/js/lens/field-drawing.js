// What the picture holds at the focus distance, with somebody 1.72 m tall in it as a check of sizes.
import { s } from '../common/dom.js';
import { fixed } from '../common/format.js';
import { lengthText } from '../common/units.js';
import { seenBy, spreadAt } from '../shot/seen.js';
import { Drawing, px, says } from './drawing.js';

/** How tall the person is, in metres. */
export const PERSON_M = 1.72;

const MARGIN_PX = 22;
const PERCENT = 100;
const FOCAL = 'focal length, by the width of the view';

/** Somebody standing, from the ground up, in parts of their height. */
const LEFT_SIDE = 'M-.055 0L-.07 .42 -.13 .5 -.125 .8 -.05 .845 -.045 .87';
const RIGHT_SIDE = 'A.065 .065 0 1 0 .045 .87L.05 .845 .125 .8 .13 .5 .07 .42 .055 0Z';

export class FieldDrawing extends Drawing {
  constructor(fields) {
    super('What the picture holds at the focus distance');
    this.fields = fields;
  }

  parts(w, h) {
    const { lens } = this.now;
    const seen = seenBy(lens);
    const spread = spreadAt(seen, lens.focusM);
    const [wide, high] = [2 * seen.across * spread, 2 * seen.up * spread];
    const scale = this.scale(w, h, wide, high);
    const [x, y] = [w / 2, h / 2 - 4];
    const frame = [x - (wide * scale) / 2, y - (high * scale) / 2, wide * scale, high * scale];
    const foot = y + (PERSON_M * scale) / 2;
    const edge = s('rect', {
      class: 'edge',
      x: px(frame[0] + frame[2] - 3),
      y: px(frame[1]),
      width: 6,
      height: px(frame[3]),
    });
    const widthAt = (at) => Math.max(0.001, (2 * Math.abs(at - x)) / scale);
    const hand = seen.parallel
      ? this.hand(edge, 'width of the picture', this.fields.width, (at) => (lens.widthM * widthAt(at)) / wide)
      : this.hand(edge, FOCAL, this.fields.focal, (at) => (lens.focalMm * wide) / widthAt(at));
    const where = seen.parallel ? 'at any distance' : `at ${lengthText(lens.focusM)}`;
    return [
      s('path', { class: 'ground', d: `M0 ${px(foot)}H${w}` }),
      s('path', {
        class: 'person',
        transform: `translate(${px(x)} ${px(foot)}) scale(${px(PERSON_M * scale)} ${px(-PERSON_M * scale)})`,
        d: LEFT_SIDE + RIGHT_SIDE,
      }),
      s('rect', { class: 'frame', x: px(frame[0]), y: px(frame[1]), width: px(frame[2]), height: px(frame[3]) }),
      hand,
      says(4, 12, `${lengthText(wide)} × ${lengthText(high)} ${where}`, { class: 'number' }),
      says(4, h - 4, `${lengthText(PERSON_M)} person: ${fixed((PERSON_M / high) * PERCENT, 0)} % of the height`),
    ];
  }

  /** Points for each metre, which stays while something is dragged. */
  scale(w, h, wide, high) {
    if (this.held) return this.heldScale;
    this.heldScale = Math.min((w - 16) / wide, (h - 2 * MARGIN_PX) / Math.max(high, PERSON_M));
    return this.heldScale;
  }
}
