// The lens in section: sensor, focal length, the opening of its iris, and what they let through.
import { s } from '../common/dom.js';
import { degrees, fixed, trimmed } from '../common/format.js';
import { Drawing, px, says } from './drawing.js';

const LEFT_PX = 46;
const LEAST_MM = 40; // of focal length that the drawing has room for
const ROOM = 1.9; // of what is drawn, in focal lengths

export class Section extends Drawing {
  constructor(fields) {
    super('The lens in section');
    this.fields = fields;
  }

  /** Points for each millimetre, which stays while something is dragged. */
  scale(w, h, { focalMm, gateHeightMm }) {
    if (this.held) return this.heldScale;
    const along = (w - LEFT_PX) / Math.max(LEAST_MM, focalMm * ROOM);
    this.heldScale = Math.min(along, (h - 56) / (gateHeightMm * 1.15));
    return this.heldScale;
  }

  parts(w, h) {
    const { lens, sensorMm } = this.now;
    const scale = this.scale(w, h, lens);
    const axis = h / 2 - 4;
    const at = LEFT_PX + lens.focalMm * scale;
    const opening = (lens.focalMm / lens.fStop) * scale;
    const half = Math.min(opening / 2, h / 2 - 22);
    const gate = (lens.gateHeightMm * scale) / 2;
    const middle = axis + lens.shiftUpMm * scale; // the picture on the sensor is upside down
    return [
      s('path', { class: 'axis', d: `M4 ${px(axis)}H${w}` }),
      ...this.light(w, { at, axis, half, gate, middle, focalPx: lens.focalMm * scale }),
      ...this.sensor(axis, middle, scale, sensorMm, lens),
      ...this.glass(h, { at, axis, half, scale, lens }),
      s('path', {
        class: 'measure',
        d: `M${LEFT_PX} ${h - 15}H${px(at)}M${LEFT_PX} ${h - 19}v8M${px(at)} ${h - 19}v8`,
      }),
      says((LEFT_PX + at) / 2, h - 3, `${trimmed(lens.focalMm, 2)} mm`, { 'text-anchor': 'middle', class: 'number' }),
      says(Math.min(at + 9, w - 84), 12, `⌀ ${fixed(lens.focalMm / lens.fStop, 1)} mm`, { class: 'number' }),
      says(w - 4, axis - 6, degrees(lens.verticalDeg), { 'text-anchor': 'end', class: 'number' }),
    ];
  }

  /** What is seen up and down, and the light of one point in focus. */
  light(w, { at, axis, half, gate, middle, focalPx }) {
    const beyond = (y) => axis - ((y - axis) * (w - at)) / focalPx;
    const [top, foot] = [middle - gate, middle + gate];
    return [
      s('path', {
        class: 'seen',
        d: `M${px(at)} ${px(axis)}L${w} ${px(beyond(top))}V${px(beyond(foot))}Z`,
      }),
      s('path', {
        class: 'ray',
        d: [top, foot].map((y) => `M${LEFT_PX} ${px(y)}L${px(at)} ${px(axis)}L${w} ${px(beyond(y))}`).join(''),
      }),
      s('path', {
        class: 'bundle',
        d: `M${LEFT_PX} ${px(axis)}L${px(at)} ${px(axis - half)}H${w}V${px(axis + half)}H${px(at)}Z`,
      }),
    ];
  }

  sensor(axis, middle, scale, [, height], lens) {
    const whole = (height * scale) / 2;
    const gate = (lens.gateHeightMm * scale) / 2;
    const used = s('rect', { class: 'gate', x: LEFT_PX - 5, y: px(middle - gate), width: 5, height: px(2 * gate) });
    return [
      s('rect', { class: 'sensor', x: LEFT_PX - 3, y: px(axis - whole), width: 3, height: px(2 * whole) }),
      this.hand(used, 'shift up', this.fields.shiftUp, (_, y) => (y - axis) / scale),
      says(2, 12, `${trimmed(lens.gateWidthMm, 2)} × ${trimmed(lens.gateHeightMm, 2)} mm`, { class: 'number' }),
    ];
  }

  glass(h, { at, axis, half, scale, lens }) {
    const reach = h / 2 - 20;
    const body = s('path', {
      class: 'glass',
      d: `M${px(at)} ${px(axis - reach)}q9 ${px(reach)} 0 ${px(2 * reach)}q-9 ${px(-reach)} 0 ${px(-2 * reach)}Z`,
    });
    const blade = (sign) =>
      s('path', { class: 'blade', d: `M${px(at)} ${px(axis + sign * half)}V${px(axis + sign * reach)}` });
    const stopAt = (_, y) => lens.focalMm / Math.max(0.01, (2 * Math.abs(y - axis)) / scale);
    const focalAt = (x) => Math.max(1, (x - LEFT_PX) / scale);
    return [
      this.hand(body, 'focal length', this.fields.focal, focalAt),
      ...[-1, 1].map((sign) => this.hand(blade(sign), 'f-stop', this.fields.stop, stopAt)),
    ];
  }
}
