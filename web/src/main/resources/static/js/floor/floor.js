// The Floor: puts its parts together.
import { aspectName, degrees, metres, millimetres, rateLabel, stop } from '../common/format.js';
import { h } from '../common/dom.js';
import { toast } from '../common/toasts.js';
import { Chain } from './chain.js';
import { Desk } from './desk.js';
import { fillShortcuts, listenToKeys } from './keyboard.js';
import { NumberField } from './number-field.js';
import { Operate } from './operate.js';
import { Picture } from './picture.js';
import { Plan } from './plan.js';
import { Playback } from './playback.js';
import { Score } from './score.js';
import { SetList } from './set-list.js';
import { Settings } from './settings.js';
import { ShotStore } from './shot-store.js';

const LOAD_AGAIN_MS = 1500;
const $ = (id) => document.getElementById(id);
const floor = $('floor');
const store = new ShotStore(floor.dataset.shot);
const desk = new Desk(store);
const playback = new Playback(desk);
const list = new SetList(store, desk, { list: $('nodes'), add: $('add') });
const plan = new Plan(store, desk, $('plan'));
const operate = new Operate(store, desk, $('view'), $('canvas'));
const chain = new Chain(store, desk, $('chain'));
const score = new Score(store, desk, { svg: $('score'), rows: $('rows') });
const settings = new Settings(store, desk, $('settings'), { sensors: JSON.parse(floor.dataset.sensors) });
const frameField = new NumberField({
  label: 'Frame', title: 'Frame of the playhead', kind: 'frames', unit: 'f', digits: 0, step: 1, rate: () => store.header?.rate ?? '24',
  get: () => desk.frame, set: (value) => { desk.goTo(value); return true; },
});
$('frame-field').append(frameField.element);

let picture = null;
try {
  picture = new Picture(store, desk, { view: $('view'), canvas: $('canvas'), guides: $('guide-lines') });
} catch {
  $('view').append(h('p', { class: 'nothing', text: 'This browser has no WebGL, so there is no picture. Plan, score and numbers work.' }));
}

const actions = {
  play: () => playback.toggle(),
  step: (by) => { playback.stop(); desk.goTo(desk.frame + by); },
  keyBefore: () => desk.previousKey(),
  keyAfter: () => desk.nextKey(),
  keyPose: () => desk.keyPose(),
  letGo: () => desk.letGoOfLoose(),
  removeKeys: () => desk.removeKeys(),
  operate: () => operate.toggle(),
  centre: () => plan.centreOnSelection(),
  swapPlan: () => setSide(plan.side === 'above' ? 'side' : 'above'),
  camera: (n) => { const camera = store.cameras()[n - 1]; if (camera) desk.showCamera(camera.id); },
  undo: () => { desk.loose = null; desk.announce('loose'); store.undo(); },
  redo: () => { desk.loose = null; desk.announce('loose'); store.redo(); },
  help: () => $('shortcuts').showModal(),
};
listenToKeys(actions);
fillShortcuts($('shortcuts'));

function setSide(side) {
  plan.setSide(side);
  $('plan-caption').textContent = side === 'above' ? 'Plan' : 'Side';
  document.querySelectorAll('[data-side]').forEach((b) => b.setAttribute('aria-pressed', String(b.dataset.side === side)));
}

const clicks = {
  undo: actions.undo, redo: actions.redo, play: actions.play, operate: actions.operate, centre: actions.centre, help: actions.help,
  'step-back': () => actions.step(-1), 'step-on': () => actions.step(1), 'key-back': actions.keyBefore, 'key-on': actions.keyAfter,
  loop: () => { playback.loop = !playback.loop; $('loop').setAttribute('aria-pressed', String(playback.loop)); },
  record: () => desk.setRecord(!desk.record),
  rename: () => list.rename(), duplicate: () => list.duplicate(), remove: () => list.remove(),
  facts: () => desk.chooseCard('shot'),
  guides: () => { const on = $('guides').getAttribute('aria-pressed') !== 'true'; $('guides').setAttribute('aria-pressed', String(on)); picture?.setGuides(on); },
};
for (const [id, todo] of Object.entries(clicks)) $(id).addEventListener('click', todo);
document.querySelectorAll('[data-side]').forEach((b) => b.addEventListener('click', () => setSide(b.dataset.side)));
document.querySelectorAll('[data-mode]').forEach((b) => b.addEventListener('click', () => operate.setMode(b.dataset.mode)));
$('keying').addEventListener('change', (event) => desk.setKeying(event.target.value));
$('view-camera').addEventListener('change', (event) => desk.showCamera(event.target.value));

function showStrip() {
  const cameras = store.cameras();
  const select = $('view-camera');
  select.replaceChildren(...(cameras.length ? cameras : [{ id: '', name: 'no camera' }]).map((c) => h('option', { value: c.id, text: c.name })));
  select.value = desk.camera ?? '';
}

function showNumbers() {
  const lens = desk.camera && store.lens(desk.camera, desk.frame);
  $('strip-lens').textContent = lens ? `${millimetres(lens.focalMm)}  ${stop(lens.fStop)}` : '';
  $('strip-focus').textContent = lens ? `focus ${metres(lens.focusM)}` : '';
  $('strip-focus').title = lens ? `Field of view ${degrees(lens.horizontalDeg)} × ${degrees(lens.verticalDeg)}` : '';
  $('strip-frame').textContent = desk.frame;
  frameField.refresh();
}

function showFacts() {
  const { header } = store;
  $('shot-name').textContent = header.name;
  document.title = `${header.name} · Idle Lens`;
  $('facts').textContent = `${rateLabel(header.rate)} · ${header.in}–${header.out} · ${aspectName(header.aspect)}`;
  $('view').querySelector('.nothing.empty')?.remove();
  if (!store.cameras().length) $('view').append(h('p', { class: 'nothing empty', text: 'No camera yet. Add one with “Add” in the list on the left.' }));
}

function showSaved() {
  const { state, text, at } = store.saving;
  const seconds = Math.round((Date.now() - at) / 1000);
  const ago = seconds < 4 ? 'saved' : seconds < 90 ? `saved ${seconds} s ago` : `saved ${Math.round(seconds / 60)} min ago`;
  const says = { saving: 'saving', saved: ago, trouble: text }[state];
  $('saved').textContent = `${$('saved').dataset.production} · revision ${store.revision} · ${says}`;
  $('saved').classList.toggle('trouble', state === 'trouble');
}

function showMode() {
  $('record').setAttribute('aria-pressed', String(desk.record));
  const loose = desk.loose && store.byId.get(desk.loose.id);
  $('notice').textContent = loose ? `${loose.name} stands loose at ${desk.loose.frame}: Enter keys it, Esc lets it go` : '';
}

store.addEventListener('shot', () => { showFacts(); showStrip(); showNumbers(); showSaved(); });
store.addEventListener('motion', showNumbers);
store.addEventListener('saving', showSaved);
store.addEventListener('people', (event) => { const n = event.detail.windows - 1; $('people').textContent = n > 0 ? `you + ${n}` : 'you'; });
store.addEventListener('refused', (event) => toast(event.detail.message, { bad: true }));
desk.addEventListener('frame', showNumbers);
desk.addEventListener('selection', () => { showStrip(); showNumbers(); });
desk.addEventListener('mode', showMode);
desk.addEventListener('loose', showMode);
operate.addEventListener('change', () => {
  $('operate').setAttribute('aria-pressed', String(operate.on));
  $('operate-modes').hidden = !operate.on;
  document.querySelectorAll('[data-mode]').forEach((b) => b.setAttribute('aria-pressed', String(b.dataset.mode === operate.mode)));
});
playback.addEventListener('change', () => { $('play').textContent = playback.playing ? 'Stop' : 'Play'; $('reached').textContent = ''; });
playback.addEventListener('rate', () => { $('reached').textContent = `${playback.reached.toFixed(1)} fps reached`; });
setInterval(showSaved, 5000);

/** Loads the shot; while the server does not answer, says so and tries again. */
async function loadPatiently() {
  for (;;) {
    try {
      await store.load();
      return;
    } catch (problem) {
      $('saved').textContent = problem.message;
      $('saved').classList.add('trouble');
      if (!problem.retry) throw problem;
      await new Promise((resolve) => { setTimeout(resolve, LOAD_AGAIN_MS); });
    }
  }
}

await loadPatiently();
desk.frame = store.header.in;
desk.announce('frame');
plan.fit();
picture?.layOut();
picture?.ask();
showSaved();
store.listen();
floor.dataset.ready = 'true';
Object.assign(window, { idleLens: { store, desk, playback, plan, picture, chain, score, settings } });
