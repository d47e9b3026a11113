// Hands on what parts hold in time: a window is moved, or stretched at one end.
import { lasting } from '../shot/focus.js';
import { partOf } from '../shot/parts.js';
import { follow } from '../common/follow.js';

export class ScoreSpanHands {
  constructor(score) {
    this.score = score;
    this.store = score.store;
    this.desk = score.desk;
  }

  /** Takes a press on a span; false if it is none. */
  press(event) {
    const { pull } = event.target.dataset;
    if (pull) {
      this.stretchPull(event, pull);
      return true;
    }
    const stamp = event.target.closest('[data-stamp]');
    if (stamp) {
      this.pressStamp(event, stamp);
      return true;
    }
    const { span } = event.target.dataset;
    if (!span) return false;
    const [id, part, side] = span.split(' ');
    this.desk.select(id, part);
    this.drag(event, id, part, side);
    return true;
  }

  /** Takes one end of a focus pull. */
  stretchPull(event, name) {
    const [id, part, stamp, side] = name.split(' ');
    this.desk.select(id, part);
    const pull = partOf(this.store.byId.get(id), part).pulls.by.find((each) => each.id === stamp);
    this.slide(event, (by) => {
      const shift = side === 'from' ? Math.min(by, pull.frames) : 0;
      const { frames, mark, ease, hunt } = lasting(pull, Math.max(0, pull.frames + (side === 'from' ? -shift : by)));
      return [{ edit: 'set-stamp', id, part, stamp, frame: pull.frame + shift, frames, mark, ease, hunt }];
    });
  }

  /** Chooses a single frame of a part, and moves it. */
  pressStamp(event, element) {
    const name = element.dataset.stamp;
    const [id, part, stamp] = name.split(' ');
    const was = Number(element.dataset.frame);
    element.focus({ preventScroll: true });
    this.desk.select(id, part);
    this.slide(
      event,
      (by) => [{ edit: 'move-stamp', id, part, stamp, frame: was + by }],
      () => this.desk.goTo(was),
      () => this.refocus(name),
    );
  }

  /**
   * A drag by whole frames: shown while it lasts, stored at its end.
   *
   * @param {PointerEvent} event
   * @param {(by: number) => import('../shot/types.js').Edit[]} edits
   * @param {() => void} [click] what a press without a drag does
   * @param {() => void} [end]
   */
  slide(event, edits, click, end) {
    const box = this.score.svg.getBoundingClientRect();
    const frame = (e) => this.score.frameAt(e.clientX - box.left);
    const start = frame(event);
    let by = 0;
    follow(
      this.score.svg,
      event,
      (e) => {
        const next = Math.round(frame(e) - start);
        if (next === by) return;
        by = next;
        this.store.show(edits(by));
      },
      async () => {
        if (by) await this.store.edit(edits(by));
        else {
          if (this.store.before) this.store.letGo();
          click?.();
        }
        end?.();
      },
      () => this.store.letGo(),
    );
  }

  /** With a single frame of a part in focus: Enter goes to it, Alt with an arrow moves it, Backspace takes it away. */
  async key(event) {
    const element = event.target.closest?.('[data-stamp]');
    if (!element) return;
    const [id, part, stamp] = element.dataset.stamp.split(' ');
    const frame = Number(element.dataset.frame);
    const way = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    if (event.key === 'Enter') this.desk.goTo(frame);
    else if (event.key === 'Backspace' || event.key === 'Delete')
      this.store.edit([{ edit: 'remove-stamp', id, part, stamp }]);
    else if (event.altKey && way) {
      event.preventDefault();
      event.stopPropagation();
      await this.store.edit([{ edit: 'move-stamp', id, part, stamp, frame: frame + way }]);
      this.refocus(element.dataset.stamp);
      return;
    } else return;
    event.preventDefault();
    event.stopPropagation();
  }

  refocus(name) {
    this.score.draw();
    this.score.svg.querySelector(`[data-stamp="${name}"]`)?.focus({ preventScroll: true });
  }

  drag(event, id, part, side) {
    const held = partOf(this.store.byId.get(id), part);
    const least = held.part === 'move' ? 1 : 0; // frames that it lasts
    const stamp = { edit: 'set-stamp', id, part, stamp: 'window' };
    this.slide(event, (by) => [{ ...stamp, ...moved(held.window ?? {}, side, by, this.desk, least) }]);
  }
}

/** A window with one end moved, or both; an open end that is dragged closes where it comes to stand. */
function moved(window, side, by, desk, least) {
  const from = (window.from ?? desk.first()) + by;
  const to = (window.to ?? desk.last()) + by;
  if (side === 'from') return { ...window, from: Math.min(from, (window.to ?? Infinity) - least) };
  if (side === 'to') return { ...window, to: Math.max(to, (window.from ?? -Infinity) + least) };
  return {
    ...window,
    ...(window.from === undefined ? {} : { from }),
    ...(window.to === undefined ? {} : { to }),
  };
}
