// The opening of the iris as its blades make it, and the disc of blur that it gives.
import { s } from '../common/dom.js';
import { fixed } from '../common/format.js';
import { Drawing, px, says } from './drawing.js';

const MARGIN_PX = 32;

export class IrisDrawing extends Drawing {
  constructor(fields) {
    super('The iris, and the disc that a point far out of focus becomes');
    this.fields = fields;
  }

  parts(w, h) {
    const { lens, outline } = this.now;
    const radius = Math.min(w / 2 - 8, h / 2 - MARGIN_PX);
    const [x, y] = [w / 2, h / 2 - 14];
    const turn = (lens.irisTurnDeg * Math.PI) / 180;
    const wide = Math.max(1, 1 / lens.squeeze);
    const place = (reach, i) => {
      const angle = (2 * Math.PI * i) / outline.length + turn;
      return [
        x + ((reach * radius) / wide) * (Math.cos(angle) / lens.squeeze),
        y - ((reach * radius) / wide) * Math.sin(angle),
      ];
    };
    const d = `M${[...outline].map((reach, i) => place(reach, i).map(px).join(' ')).join('L')}Z`;
    const corner = place(1, 0);
    const knob = s('circle', { class: 'knob', cx: px(corner[0]), cy: px(corner[1]), r: 6 });
    return [
      s('circle', { class: 'ring', cx: px(x), cy: px(y), r: px(radius) }),
      s('path', { class: 'opening', d }),
      this.hand(knob, 'turn of the iris', this.fields.turn, (px_, py) => this.turnAt(px_ - x, y - py)),
      ...this.words(lens).map((text, i) =>
        says(w / 2, h - 18 + 14 * i, text, { 'text-anchor': 'middle', class: 'number' }),
      ),
    ];
  }

  /** The turn nearest to what it is now that a direction stands for. */
  turnAt(right, up) {
    const { lens } = this.held ?? this.now;
    const angle = (Math.atan2(up, right * lens.squeeze) * 180) / Math.PI;
    return angle + 360 * Math.round((lens.irisTurnDeg - angle) / 360);
  }

  words({ blurFarMm, gateHeightMm, squeeze }) {
    const { pictureHeight } = this.now;
    const high = (blurFarMm / gateHeightMm) * pictureHeight;
    const size = squeeze === 1 ? `${fixed(high, 1)} px` : `${fixed(high / squeeze, 1)} × ${fixed(high, 1)} px`;
    return [`far off: ${fixed(blurFarMm, 3)} mm,`, `${size} of ${pictureHeight}`];
  }
}
