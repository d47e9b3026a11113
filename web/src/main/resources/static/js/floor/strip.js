// The strip over the picture: which camera, its lens, what is switched off, the frame; and the facts in the header.
import { h } from '../common/dom.js';
import { aspectName, degrees, millimetres, rateLabel, stop } from '../common/format.js';
import { timeText } from '../common/time-text.js';
import { lengthText, units } from '../common/units.js';
import { offInRig } from '../shot/parts.js';
import { isParallel } from '../shot/seen.js';
import { programWords } from '../shot/program.js';

/** The choice that is no camera. */
const PROGRAM = '@program';

const $ = (id) => document.getElementById(id);

function showCameras(store, desk) {
  const cameras = store.cameras();
  const select = /** @type {HTMLSelectElement} */ ($('view-camera'));
  const options = cameras.length ? cameras : [{ id: '', name: 'no camera' }];
  const program = store.program.length ? [{ id: PROGRAM, name: 'Program' }] : [];
  select.replaceChildren(...[...options, ...program].map((c) => h('option', { value: c.id, text: c.name })));
  select.value = desk.cutting.follows ? PROGRAM : (desk.camera ?? '');
  $('several').hidden = cameras.length < 2;
}

/** Which camera it is, and whether the program has it here. */
function showSeen(store, desk) {
  const tag = $('seen');
  const words = desk.camera ? programWords(store.program, desk.camera, desk.frame, desk.last()) : '';
  tag.hidden = !words;
  tag.classList.toggle('in-program', words.startsWith('in'));
  tag.textContent = `${store.byId.get(desk.camera)?.name}, ${words}`;
}

const lensWords = (lens) => [
  `${millimetres(lens.focalMm)}  ${stop(lens.fStop)}`,
  `focus ${lengthText(lens.focusM)}`,
  `Field of view ${degrees(lens.horizontalDeg)} × ${degrees(lens.verticalDeg)}`,
];

const parallelWords = ({ widthM }) => [
  `${lengthText(widthM)} across`,
  'no depth of field',
  'An orthographic camera: all is as large, and sharp, at any distance',
];

function showLens(store, desk) {
  const lens = desk.camera && store.lens(desk.camera, desk.frame);
  const [what, how, says] = lens ? (isParallel(lens) ? parallelWords(lens) : lensWords(lens)) : ['', '', ''];
  $('strip-lens').textContent = what;
  $('strip-focus').textContent = how;
  $('strip-focus').title = says;
  $('strip-frame').textContent = timeText(desk.frame, store.header);
}

function showOff(store, desk) {
  const off = desk.camera ? offInRig(store, desk.camera) : [];
  $('strip-off').hidden = off.length === 0;
  $('strip-off').textContent = off.length > 1 ? `${off.length} parts off` : (off[0] ?? '');
  $('strip-off').title = off.join(', ');
}

function showFacts({ header }) {
  $('shot-name').textContent = header.name;
  document.title = `${header.name} · Idle Lens`;
  $('facts').textContent = `${rateLabel(header.rate)} · ${header.in}–${header.out} · ${aspectName(header.aspect)}`;
}

/** Says what belongs there while there is no camera. */
function showEmpty(store) {
  $('view').querySelector('.nothing.empty')?.remove();
  if (store.cameras().length) return;
  const text = 'No camera yet. Add one with “Add” in the list on the left.';
  $('view').append(h('p', { class: 'nothing empty', text }));
}

/** The names of the two pictures, while a version is compared with. */
function showGhosts(store) {
  const [first, second] = store.ghosts;
  const named = (ghost) => (ghost.without ? ghost.name : `“${ghost.name}”`);
  const names = first ? [named(first), second ? named(second) : 'now'] : [];
  $('ghost-names').hidden = !first;
  $('ghost-names').replaceChildren(...names.map((text) => h('span', { text })));
}

export function connectStrip(store, desk) {
  const numbers = () => {
    if (!store.header) return;
    showLens(store, desk);
    showOff(store, desk);
    showSeen(store, desk);
  };
  store.addEventListener('shot', () => {
    showFacts(store);
    showEmpty(store);
    showCameras(store, desk);
    numbers();
  });
  store.addEventListener('motion', numbers);
  store.addEventListener('ghost', () => showGhosts(store));
  desk.addEventListener('frame', numbers);
  desk.addEventListener('live', numbers);
  desk.addEventListener('layout', numbers);
  desk.addEventListener('selection', () => {
    showCameras(store, desk);
    numbers();
  });
  units.addEventListener('length', numbers);
  $('view-camera').addEventListener('change', (event) => {
    const { value } = /** @type {HTMLSelectElement} */ (event.target);
    if (value === PROGRAM) desk.cutting.showProgram();
    else desk.showCamera(value);
  });
}
