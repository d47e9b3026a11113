// A game pad, where the browser has one: the left stick walks, the right one looks, buttons do the rest.

const DEAD = 0.12; // of a stick's way: what is less is its own unrest
const TURN_DEG_A_SECOND = 110;
const ZOOM_A_SECOND = 1.6;
const [JUMP, NARROWER, WIDER, HURRY] = [0, 5, 4, 7]; // of the standard layout

/** A stick's way without its unrest, finer near the middle. */
function eased(value) {
  const size = Math.max(0, (Math.abs(value) - DEAD) / (1 - DEAD));
  return Math.sign(value) * Math.min(1, size) ** 1.5;
}

/** The first pad that is there, or null. @returns {Gamepad | null} */
export const findPad = () => [...(navigator.getGamepads?.() ?? [])].find((pad) => pad?.connected) ?? null;

/**
 * What a pad does in a stretch of time.
 *
 * @param {Gamepad | null} pad
 * @param {number} seconds
 */
export function readPad(pad, seconds) {
  if (!pad) return { ahead: 0, right: 0, turn: 0, tilt: 0, zoom: 1, hurries: false, jumps: false };
  const stick = (i) => eased(pad.axes[i] ?? 0);
  const isDown = (i) => Boolean(pad.buttons[i]?.pressed);
  const zooms = Number(isDown(NARROWER)) - Number(isDown(WIDER));
  return {
    ahead: -stick(1),
    right: stick(0),
    turn: -stick(2) * TURN_DEG_A_SECOND * seconds,
    tilt: -stick(3) * TURN_DEG_A_SECOND * seconds,
    zoom: ZOOM_A_SECOND ** (zooms * seconds),
    hurries: isDown(HURRY),
    jumps: isDown(JUMP),
  };
}
