// What the picture says while somebody walks, a tracker is heard, or a take is rolled.
import { h } from '../common/dom.js';
import { millimetres, trimmed } from '../common/format.js';
import { lengthText } from '../common/units.js';

const HANDS = 'W A S D walk · drag to look · Shift hurries · J jumps · wheel zooms · Enter keys the pose · Esc ends';

/** @param {{walk: any, tracker: any, roll: any}} operation */
export function connectOperatingSays({ walk, tracker, roll }, desk, { says, count }) {
  const [first, second] = [h('b'), h('span')];
  says.replaceChildren(first, second);
  const show = () => {
    const text = rollSays(roll) || sourceSays(walk, tracker, desk);
    says.hidden = text === '';
    says.classList.toggle('rolling', roll.state === 'rolling');
    first.textContent = text;
    second.textContent = walk.on && roll.state === 'off' ? HANDS : '';
    count.hidden = roll.state !== 'counting' || !(roll.left > 0);
    count.textContent = String(Math.max(1, Math.ceil(roll.left ?? 0)));
  };
  for (const each of [walk, tracker, roll]) each.addEventListener('change', show);
  walk.addEventListener('walked', show);
  roll.addEventListener('tick', show);
}

function rollSays({ state, stretched, seconds, by }) {
  if (state === 'counting') return `Counting in; the take begins at ${stretched.from}`;
  if (state === 'keeping') return 'Keeping the take';
  if (state !== 'rolling') return '';
  const what = by === 'tracker' ? 'Recording the tracker' : 'Recording the walk';
  return `${what} · ${trimmed(seconds ?? 0, 1)} s · until ${stretched.to}`;
}

function sourceSays(walk, tracker, desk) {
  if (walk.on) {
    const { stance, body } = walk;
    const ground = stance.on < 0 ? 'in the air' : `eyes ${lengthText(body.eye, 2)} over the ground`;
    return `Walking · ${ground} · ${millimetres(stance.focal)}`;
  }
  if (!tracker.on) return '';
  const { quiet, live } = tracker.state;
  if (quiet !== false) return `Nothing comes on port ${tracker.port} yet`;
  return desk.live && live ? `Tracker · ${trimmed(live.rate ?? 0, 1)} samples a second` : 'Tracker';
}
