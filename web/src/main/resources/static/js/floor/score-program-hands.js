// Hands on the program: cuts are made, slid, and changed by a menu.
import { h } from '../common/dom.js';
import { fixed } from '../common/format.js';
import { follow } from '../common/follow.js';
import { closeMenu, menuItem, openMenu } from '../common/menu.js';

const DISSOLVES = [6, 12, 24];
const ARROWS = ['→', '↗', '↑', '↖', '←', '↙', '↓', '↘'];
const STANDS = 1e-5; // picture widths a frame

/** The way that the picture goes, as an arrow. @param {[number, number]} way to the right and upwards */
function arrow([right, up]) {
  if (Math.hypot(right, up) < STANDS) return '·';
  const eighth = Math.round(Math.atan2(up, right) / (Math.PI / 4));
  return ARROWS[(eighth + ARROWS.length) % ARROWS.length];
}

export class ScoreProgramHands {
  constructor(score) {
    this.score = score;
    this.desk = score.desk;
    this.store = score.store;
    score.svg.addEventListener('keydown', (event) => this.key(event));
  }

  /** Takes a press on the program; tells whether it was one. */
  press(event) {
    const at = event.target.closest('[data-cut],[data-cut-here]');
    if (at?.dataset.cutHere) {
      event.preventDefault();
      this.openCameras(at);
    } else if (at) this.slide(event, at);
    return Boolean(at);
  }

  key(event) {
    const at = event.target.closest?.('[data-cut],[data-cut-here]');
    if (!at || event.key !== 'Enter') return;
    event.stopPropagation();
    event.preventDefault();
    if (at.dataset.cutHere) this.openCameras(at);
    else this.openCut(at, Number(at.dataset.cut));
  }

  /** Which camera is to be seen from the playhead on. */
  openCameras(anchor) {
    const { cutting, frame } = this.desk;
    const items = this.store
      .cameras()
      .map((camera, i) =>
        menuItem(`Cut to ${camera.name} at ${frame}`, () => cutting.cutTo(camera.id), `Shift+${i + 1}`),
      );
    openMenu(anchor, 'Cut to', items);
  }

  slide(event, at) {
    const frame = Number(at.dataset.cut);
    const { cutting } = this.desk;
    const start = this.score.frameAt(event.clientX);
    const ripple = event.shiftKey;
    let to = frame;
    follow(
      this.score.svg,
      event,
      (e) => {
        const next = Math.round(frame + this.score.frameAt(e.clientX) - start);
        if (next === to) return;
        to = next;
        if (to !== frame) cutting.slide(frame, to, ripple, false);
      },
      () => {
        if (to !== frame) cutting.slide(frame, to, ripple, true);
        else this.openCut(at, frame);
      },
      () => this.store.letGo(),
    );
  }

  /** Opens what can be done to a cut, once it is known how the picture moves there. */
  async openCut(anchor, frame) {
    const { cutting } = this.desk;
    const cut = cutting.cuts.find((one) => one.frame === frame);
    if (!cut) return;
    const isFirst = cut === cutting.cuts[0];
    const match = isFirst ? null : await cutting.match(frame);
    const fades = DISSOLVES.filter((n) => n !== cut.dissolve);
    const there = this.score.svg.querySelector(`[data-cut="${frame}"]`) ?? anchor; // it may have been drawn anew
    openMenu(there, `Cut at ${frame}`, [
      menuItem('Go there', () => this.desk.goTo(frame)),
      ...(isFirst
        ? []
        : [
            ...fades.map((n) => menuItem(`Dissolve of ${n} frames`, () => cutting.dissolve(cut, n))),
            this.typed(cut),
            ...(cut.dissolve ? [menuItem('Hard cut', () => cutting.dissolve(cut, 0))] : []),
            menuItem('Swap the cameras', () => cutting.swap(cut), 'of both sides'),
            ...this.matching(match),
          ]),
      menuItem('Remove the cut', () => cutting.remove(cut)),
    ]);
  }

  /** How the picture moves on both sides of a cut, and what makes the one go as the other. */
  matching(match) {
    if (!match) return [];
    const { cutting } = this.desk;
    const name = (id) => this.store.byId.get(id)?.name;
    const pixels = (way) => `${fixed(Math.hypot(...way) * this.store.picture.widthPx, 1)} px/f ${arrow(way)}`;
    const apart = `${fixed(match.mismatch * this.store.picture.widthPx, 1)} px/f apart`;
    const text = `${name(match.from)} ${pixels(match.before)}, ${name(match.to)} ${pixels(match.after)}: ${apart}`;
    return [
      h('small', { class: 'menu-note', text }),
      menuItem(`Match ${name(match.to)}’s start`, () => cutting.matchSide(match, 'after'), 'to the end before it'),
      menuItem(`Match ${name(match.from)}’s end`, () => cutting.matchSide(match, 'before'), 'to the start behind it'),
    ];
  }

  /** A dissolve of any length. */
  typed(cut) {
    const take = (event) => {
      if (event.key !== 'Enter') return;
      this.desk.cutting.dissolve(cut, Number(event.target.value));
      closeMenu();
    };
    const input = h('input', { type: 'number', min: 0, max: 10000, value: cut.dissolve ?? 0, onkeydown: take });
    return h(
      'label',
      { class: 'with-label' },
      h('small', { text: 'dissolve of' }),
      input,
      h('small', { text: 'frames' }),
    );
  }
}
