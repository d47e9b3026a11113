// Play, loop, the frame, how time is shown, zoom of the score.
import { setTimeWay, timeWay } from '../common/time-text.js';
import { NumberField } from '../panels/number-field.js';

const $ = (id) => document.getElementById(id);

/** Choices as selects in the page, by their ids. @returns {HTMLSelectElement} */
const select = (id) => /** @type {HTMLSelectElement} */ ($(id));

function frameField(store, desk) {
  const field = new NumberField({
    label: 'Frame',
    title: 'Frame of the playhead',
    quantity: 'frames',
    unit: 'f',
    digits: 0,
    step: 1,
    rate: () => store.header?.rate ?? '24',
    get: () => desk.frame,
    set: (value) => {
      desk.goTo(value);
      return true;
    },
  });
  $('frame-field').append(field.element);
  desk.addEventListener('frame', () => field.refresh());
  store.addEventListener('shot', () => field.refresh());
}

/** What is looped: the choice, and how many frames around the seam. */
function connectLoop(desk, playback) {
  const what = select('loop');
  const frames = /** @type {HTMLInputElement} */ ($('seam-frames'));
  what.addEventListener('change', () => playback.setLoop(what.value));
  frames.addEventListener('change', () => {
    playback.seamFrames = Math.max(1, Math.round(Number(frames.value)) || playback.seamFrames);
    frames.value = String(playback.seamFrames);
    playback.setLoop('seam');
  });
  desk.addEventListener('range', () => playback.setLoop(desk.range ? 'range' : 'whole'));
  playback.addEventListener('change', () => {
    what.value = playback.loop;
    what.querySelector('[value="range"]').toggleAttribute('disabled', !desk.range);
    $('seam').hidden = playback.loop !== 'seam';
  });
}

export function connectTransport(store, desk, playback, score) {
  frameField(store, desk);
  connectLoop(desk, playback);
  select('time-as').value = timeWay();
  select('time-as').addEventListener('change', (event) => {
    setTimeWay(/** @type {HTMLSelectElement} */ (event.target).value);
    desk.announce('layout');
    score.ask();
  });
  $('zoom-in').addEventListener('click', () => score.zoomBy(1));
  $('zoom-out').addEventListener('click', () => score.zoomBy(-1));
  $('zoom-fit').addEventListener('click', () => score.fit());
  playback.addEventListener('change', () => {
    $('play').textContent = playback.playing ? 'Stop' : 'Play';
    $('reached').textContent = '';
  });
  playback.addEventListener('rate', () => {
    $('reached').textContent = `${playback.reached.toFixed(1)} fps reached`;
  });
}
