// Hands on the score: scrubbing, choosing and moving beads of any rows, moving markers.
import { s } from '../common/dom.js';
import { hasPath, idOf, partAt, POSE } from '../shot/parts.js';
import { KeyChoice } from '../shot/key-choice.js';
import { keyFrames } from '../shot/keys.js';
import { beadName } from '../common/bead.js';
import { follow } from '../common/follow.js';
import { ROW } from './score-scale.js';
import { ScoreProgramHands } from './score-program-hands.js';
import { ScoreSpanHands } from './score-span-hands.js';
import { ScoreTimeHands } from './score-time-hands.js';

const TOUCH_PX = 6;

export class ScoreHands {
  constructor(score) {
    this.score = score;
    this.store = score.store;
    this.desk = score.desk;
    this.svg = score.svg;
    this.time = new ScoreTimeHands(score);
    this.spans = new ScoreSpanHands(score);
    this.program = new ScoreProgramHands(score);
    this.svg.addEventListener('pointerdown', (event) => this.press(event));
    this.svg.addEventListener('keydown', (event) => this.key(event));
  }

  local(event) {
    const box = this.svg.getBoundingClientRect();
    return [event.clientX - box.left, event.clientY - box.top];
  }

  press(event) {
    if (event.button !== 0) return;
    if (this.program.press(event) || this.spans.press(event) || this.time.press(event)) return;
    const { fold, pose } = event.target.closest('[data-fold],[data-pose]')?.dataset ?? {};
    const marker = event.target.closest('[data-marker]')?.dataset.marker;
    const bead = this.beadAt(event);
    if (fold || pose) this.fold(fold, pose);
    else if (bead) this.pressBead(event, bead);
    else if (marker) this.pressMarker(event, marker);
    else this.pressRow(event);
  }

  /** The name of the bead that is pressed, or null. */
  beadAt(event) {
    const own = event.target.closest('[data-bead]')?.dataset.bead;
    return own ?? (event.target.dataset.row ? this.score.denseBead(this.local(event), TOUCH_PX) : null);
  }

  pressRow(event) {
    const { row, what } = event.target.dataset;
    const isName = row && this.local(event)[0] < this.score.scale.names;
    if (isName) this.desk.select(row, cardOf(this.store.byId.get(row), what));
    else if (event.shiftKey) this.box(event);
    else this.time.scrub(event);
  }

  fold(node, pose) {
    if (node) this.score.folds.toggle(node);
    else this.score.folds.togglePose(pose);
    this.score.ask();
  }

  /** Follows the pointer until it is let go. */
  follow(event, move, end, cancel = end) {
    follow(this.svg, event, move, end, cancel);
  }

  /** The keys of a bead. */
  keysOf(bead) {
    const [id, what, at] = bead.split(' ');
    const frame = Number(at);
    const node = this.store.byId.get(id);
    const key = keyFrames(node, what === 'pose' ? POSE : [what]).find((k) => k.frame === frame);
    return { id, what, frame, choice: KeyChoice.of(id, key?.channels ?? [], [frame]) };
  }

  /** Chooses a bead (Shift adds or takes it away), and moves all chosen ones in time. */
  pressBead(event, bead) {
    this.svg.querySelector(`[data-bead="${bead}"]`)?.focus({ preventScroll: true });
    const { id, what, frame, choice } = this.keysOf(bead);
    this.choose(id, what, choice, event.shiftKey);
    const start = this.desk.chosen;
    const [from] = this.local(event);
    let by = 0;
    const edit = () => ({ edit: 'move-keys', picks: start.picks(), by, landing: this.desk.landing });
    this.follow(
      event,
      (e) => {
        const to = Math.round(this.score.frameAt(this.local(e)[0]) - this.score.frameAt(from));
        if (to === by || start.isEmpty) return;
        by = to;
        this.desk.chosen = start.mapped((f) => f + by);
        this.store.show([edit()]);
      },
      async () => {
        if (by === 0) {
          if (!event.shiftKey) this.desk.goTo(frame);
          if (this.store.before) this.store.letGo();
          return;
        }
        if (
          !(await this.desk.work.editKeys(
            [edit()],
            start.mapped((f) => f + by),
          ))
        )
          this.desk.chooseKeys(start);
      },
      () => {
        this.store.letGo();
        this.desk.chooseKeys(start);
      },
    );
  }

  choose(id, what, choice, add) {
    const { desk } = this;
    const had = [...choice.each()].every(({ channel, frame }) => desk.chosen.has(id, channel, frame));
    if (add) desk.chooseKeys(had ? desk.chosen.minus(choice) : desk.chosen.plus(choice));
    else if (!had) desk.chooseKeys(choice);
    if (!add && desk.selected !== id) desk.select(id, what === 'pose' ? 'keys' : 'lens');
  }

  /** Shift and a drag over rows choose all beads in the box. */
  box(event) {
    const from = this.local(event);
    const frame = s('rect', { class: 'box' });
    this.svg.append(frame);
    const start = this.desk.chosen;
    const bounds = (e) => {
      const to = this.local(e);
      return [Math.min(from[0], to[0]), Math.min(from[1], to[1]), Math.max(from[0], to[0]), Math.max(from[1], to[1])];
    };
    this.follow(
      event,
      (e) => {
        const [x0, y0, x1, y1] = bounds(e);
        for (const [name, value] of Object.entries({ x: x0, y: y0, width: x1 - x0, height: y1 - y0 }))
          frame.setAttribute(name, value);
      },
      (e) => {
        frame.remove();
        this.desk.chooseKeys(start.plus(this.inside(...bounds(e))));
      },
      () => frame.remove(),
    );
  }

  inside(x0, y0, x1, y1) {
    const { score } = this;
    const choices = score.shownRows.flatMap(({ node, paths }, i) => {
      const middle = score.top(i) + ROW / 2;
      if (middle < y0 || middle > y1) return [];
      return keyFrames(node, paths)
        .filter((k) => score.x(k.frame) >= x0 - TOUCH_PX && score.x(k.frame) <= x1 + TOUCH_PX)
        .map((k) => KeyChoice.of(node.id, k.channels, [k.frame]));
    });
    return KeyChoice.union(choices);
  }

  pressMarker(event, id) {
    const marker = this.store.markers.find((m) => m.id === id);
    this.desk.chooseMarker(id);
    const [from] = this.local(event);
    let by = 0;
    const edit = () => ({ edit: 'set-markers', markers: [{ ...marker, frame: marker.frame + by }] });
    this.follow(
      event,
      (e) => {
        const to = Math.round(this.score.frameAt(this.local(e)[0]) - this.score.frameAt(from));
        if (to !== by) {
          by = to;
          this.store.show([edit()]);
        }
      },
      () => {
        if (by !== 0) this.store.edit([edit()]);
        else {
          if (this.store.before) this.store.letGo();
          this.desk.goTo(marker.frame);
          this.desk.showTab('markers');
        }
      },
      () => this.store.letGo(),
    );
  }

  /** With a bead in focus: Enter goes to it, Alt with an arrow moves what is chosen, Up and Down change the row. */
  key(event) {
    const { stamp, marker, bead } = event.target.closest?.('[data-stamp],[data-marker],[data-bead]')?.dataset ?? {};
    if (stamp) this.spans.key(event);
    else if (marker) this.keyOnMarker(event, marker);
    else if (bead) this.keyOnBead(event, bead);
  }

  keyOnBead(event, bead) {
    const { id, what, frame, choice } = this.keysOf(bead);
    const way = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    if (event.key === 'Enter' || event.key === ' ') {
      this.choose(id, what, choice, event.shiftKey);
      this.desk.goTo(frame);
    } else if (event.altKey && way) {
      if (!this.desk.chosen.hasAny(id, choice.channelsOf(id), frame)) this.choose(id, what, choice, false);
      this.desk.work.moveKeys({ frames: way }).then((kept) => {
        if (kept) this.refocus(`${id} ${what} ${frame + way}`);
      });
    } else if (event.key === 'ArrowUp' || event.key === 'ArrowDown')
      this.otherRow(bead, frame, event.key === 'ArrowUp' ? -1 : 1);
    else return;
    event.preventDefault();
    event.stopPropagation();
  }

  keyOnMarker(event, id) {
    const marker = this.store.markers.find((m) => m.id === id);
    const way = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    if (event.key === 'Enter' || event.key === ' ') {
      this.desk.chooseMarker(id);
      this.desk.goTo(marker.frame);
      this.desk.showTab('markers');
    } else if (event.key === 'Backspace' || event.key === 'Delete')
      this.store.edit([{ edit: 'remove-markers', ids: [id] }]);
    else if (event.altKey && way)
      this.store.edit([{ edit: 'set-markers', markers: [{ ...marker, frame: marker.frame + way }] }]);
    else return;
    event.preventDefault();
    event.stopPropagation();
  }

  /** To the nearest bead of the row above or below. */
  otherRow(bead, frame, way) {
    const { score } = this;
    const [id, what] = bead.split(' ');
    const at = score.shownRows.findIndex((r) => r.node.id === id && r.what === what);
    for (let i = at + way; i >= 0 && i < score.shownRows.length; i += way) {
      const { node, paths } = score.shownRows[i];
      const keys = keyFrames(node, paths);
      if (!keys.length) continue;
      const nearest = keys.reduce((best, k) => (Math.abs(k.frame - frame) < Math.abs(best.frame - frame) ? k : best));
      score.scroller.scrollTop = Math.max(
        0,
        Math.min(score.scroller.scrollTop, score.top(i) - ROW * 2.5),
        score.top(i + 1) - score.scroller.clientHeight,
      );
      score.draw();
      this.desk.goTo(nearest.frame); // in a dense row, only what is near the playhead has beads of its own
      this.refocus(beadName(score.shownRows[i], nearest.frame));
      return;
    }
  }

  refocus(bead) {
    this.score.draw();
    this.svg.querySelector(`[data-bead="${bead}"]`)?.focus({ preventScroll: true });
  }
}

/** The card that a row of the score is of. */
function cardOf(node, what) {
  if (what === undefined || what === 'pose') return 'keys';
  return hasPath(node, what) ? idOf(partAt(node, what)) : what;
}
