// Hands on the program: cuts are made, slid, and changed by a menu.
import { h } from '../common/dom.js';
import { follow } from '../common/follow.js';
import { closeMenu, menuItem, openMenu } from '../common/menu.js';

const DISSOLVES = [6, 12, 24];

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

  openCut(anchor, frame) {
    const { cutting } = this.desk;
    const cut = cutting.cuts.find((one) => one.frame === frame);
    if (!cut) return;
    const isFirst = cut === cutting.cuts[0];
    const fades = DISSOLVES.filter((n) => n !== cut.dissolve);
    openMenu(anchor, `Cut at ${frame}`, [
      menuItem('Go there', () => this.desk.goTo(frame)),
      ...(isFirst
        ? []
        : [
            ...fades.map((n) => menuItem(`Dissolve of ${n} frames`, () => cutting.dissolve(cut, n))),
            this.typed(cut),
            ...(cut.dissolve ? [menuItem('Hard cut', () => cutting.dissolve(cut, 0))] : []),
            menuItem('Swap the cameras', () => cutting.swap(cut), 'of both sides'),
          ]),
      menuItem('Remove the cut', () => cutting.remove(cut)),
    ]);
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
