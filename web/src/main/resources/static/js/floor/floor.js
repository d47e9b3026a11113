// A shot's page, the Floor and the Curves view: puts its parts together.
import { getJson } from '../common/api.js';
import { aspectName, degrees, metres, millimetres, rateLabel, stop } from '../common/format.js';
import { h } from '../common/dom.js';
import { toast } from '../common/toasts.js';
import { CurvesView } from '../curves/curves-view.js';
import { holdUntil } from '../panels/findings.js';
import { offInRig } from '../shot/chain-parts.js';
import { CHANNELS } from '../shot/channels.js';
import { Chain } from './chain.js';
import { Desk } from '../shot/desk.js';
import { fillShortcuts, listenToKeys } from './keyboard.js';
import { NumberField } from '../panels/number-field.js';
import { Operate } from './operate.js';
import { Picture } from './picture.js';
import { Plan } from '../plan/plan.js';
import { Playback } from '../shot/playback.js';
import { Score } from './score.js';
import { SetList } from './set-list.js';
import { Settings } from '../panels/settings.js';
import { ShotStore } from '../shot/shot-store.js';

const LOAD_AGAIN_MS = 1500;
const SAVING_SHOWS_MS = 150;
const $ = (id) => document.getElementById(id);
const floor = $('floor');
const store = new ShotStore(floor.dataset.shot);
const desk = new Desk(store);
const playback = new Playback(desk);
const list = new SetList(store, desk, { list: $('nodes'), add: $('add') });
const plan = new Plan(store, desk, { svg: $('plan'), canvas: $('outside') });
const operate = new Operate(store, desk, $('view'), $('canvas'));
const chain = new Chain(store, desk, $('chain'));
const score = new Score(store, desk, { svg: $('score'), rows: $('rows') });
const curves = new CurvesView(store, desk, { element: $('curves'), list: $('channels') });
const settings = new Settings(store, desk, $('settings'), { sensors: JSON.parse(floor.dataset.sensors) });
const frameField = new NumberField({
  label: 'Frame', title: 'Frame of the playhead', kind: 'frames', unit: 'f', digits: 0, step: 1, rate: () => store.header?.rate ?? '24',
  get: () => desk.frame, set: (value) => { desk.goTo(value); return true; },
});
$('frame-field').append(frameField.element);

let savingShown = 0; // the timer that shows it
let picture = null;
try {
  picture = new Picture(store, desk, { view: $('view'), canvas: $('canvas'), guides: $('guide-lines') });
} catch {
  $('view').append(h('p', { class: 'nothing', text: 'This browser has no WebGL, so there is no picture. Plan, score and numbers work.' }));
}

const SIDES = ['above', 'side', '3D'];

/** Floor or Curves: the same shot, laid out for another work. */
function showView(view) {
  floor.dataset.view = view;
  document.querySelectorAll('[data-view-link]').forEach((a) => { if (a.dataset.viewLink === view) a.setAttribute('aria-current', 'page'); else a.removeAttribute('aria-current'); });
  desk.setView(view);
}

document.querySelectorAll('[data-view-link]').forEach((a) => a.addEventListener('click', (event) => {
  if (event.ctrlKey || event.metaKey || event.shiftKey) return;
  event.preventDefault();
  if (a.dataset.viewLink === desk.view) return;
  history.pushState(null, '', a.href);
  showView(a.dataset.viewLink);
}));
addEventListener('popstate', () => showView(location.pathname.endsWith('/curves') ? 'curves' : 'floor'));

const actions = {
  play: () => playback.toggle(),
  step: (by) => { playback.stop(); desk.goTo(desk.frame + by); },
  keyBefore: () => desk.previousKey(),
  keyAfter: () => desk.nextKey(),
  keyPose: () => desk.keyPose(),
  letGo: () => { if (desk.loose) desk.letGoOfLoose(); else desk.chooseKeys(null); },
  removeKeys: () => desk.removeKeys(),
  operate: () => operate.toggle(),
  centre: () => { if (desk.view === 'curves') curves.graph.fit(!desk.chosen.isEmpty); plan.centreOnSelection(); },
  swapPlan: () => setSide(SIDES[(SIDES.indexOf(plan.side) + 1) % SIDES.length]),
  mark: () => desk.mark(),
  ghost: () => toggleGhost(),
  copy: () => desk.copyKeys(),
  paste: () => desk.pasteKeys(),
  camera: (n) => { const camera = store.cameras()[n - 1]; if (camera) desk.showCamera(camera.id); },
  undo: () => { desk.loose = null; desk.announce('loose'); store.undo(); },
  redo: () => { desk.loose = null; desk.announce('loose'); store.redo(); },
  help: () => $('shortcuts').showModal(),
};
listenToKeys(actions);
fillShortcuts($('shortcuts'));

/** Shows the version compared with last, or the latest kept one, beside this state; or none. */
async function toggleGhost() {
  if (store.ghosts.length) { desk.lastCompared = store.ghosts; await store.compare([]); return; }
  desk.lastCompared ??= (await getJson(store.path('/versions'))).slice(0, 1);
  if (desk.lastCompared.length) await store.compare(desk.lastCompared);
  else toast('There is no version yet: keep one under History', { action: 'History', onAction: () => desk.showTab('history') });
}

function setSide(side) {
  try { plan.setSide(side); } catch { toast('This browser has no WebGL, so there is no view from outside', { bad: true }); plan.setSide('above'); }
  $('plan-caption').textContent = { above: 'Plan', side: 'Side', '3D': 'Outside' }[plan.side];
  document.querySelectorAll('[data-side]').forEach((b) => b.setAttribute('aria-pressed', String(b.dataset.side === plan.side)));
}

const clicks = {
  undo: actions.undo, redo: actions.redo, play: actions.play, operate: actions.operate, centre: actions.centre, help: actions.help,
  'step-back': () => actions.step(-1), 'step-on': () => actions.step(1), 'key-back': actions.keyBefore, 'key-on': actions.keyAfter,
  loop: () => { playback.loop = !playback.loop; $('loop').setAttribute('aria-pressed', String(playback.loop)); },
  record: () => desk.setRecord(!desk.record),
  rename: () => list.rename(), duplicate: () => list.duplicate(), remove: () => list.remove(),
  facts: () => desk.chooseCard('shot'),
  mark: actions.mark,
  'hold-creep': () => { const [c] = desk.findings().creeps; if (c) store.edit([holdUntil(c)]); },
  speed: () => { plan.layer.bySpeed = !plan.layer.bySpeed; $('speed').setAttribute('aria-pressed', String(plan.layer.bySpeed)); plan.ask('all'); },
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
  const off = desk.camera ? offInRig(store, desk.camera) : [];
  $('strip-off').hidden = off.length === 0;
  $('strip-off').textContent = off.length > 1 ? `${off.length} parts off` : off[0] ?? '';
  $('strip-off').title = off.join(', ');
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

/** Says that it saves only where that takes long enough to be read. */
function showSaving() {
  clearTimeout(savingShown);
  if (store.saving.state === 'saving') savingShown = setTimeout(showSaved, SAVING_SHOWS_MS);
  else showSaved();
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
  const { creeps } = desk.findings();
  const [c] = creeps;
  const says = loose ? `${loose.name} stands loose at ${desk.loose.frame}: Enter keys it, Esc lets it go`
    : c ? `${store.byId.get(c.id).name} ${CHANNELS[c.channel].name} creeps from ${c.from}: it is not keyed at ${c.missing}${creeps.length > 1 ? `, and ${creeps.length - 1} more` : ''}` : '';
  if ($('notice').textContent !== says) { $('notice').textContent = says; $('notice').title = says; }
  $('notice-line').hidden = says === '';
  $('hold-creep').hidden = Boolean(loose) || !c;
  if (c) $('hold-creep').textContent = `Hold until ${c.missing}`;
}

/** The names of the two pictures, while a version is compared with. */
function showGhost() {
  const [first, second] = store.ghosts;
  $('ghost-names').hidden = !first;
  $('ghost-names').replaceChildren(...(first ? [h('span', { text: `“${first.name}”` }), h('span', { text: second ? `“${second.name}”` : 'now' })] : []));
}

store.addEventListener('shot', () => { showFacts(); showStrip(); showNumbers(); showSaved(); });
store.addEventListener('motion', () => { showNumbers(); showMode(); });
store.addEventListener('ghost', showGhost);
store.addEventListener('saving', showSaving);
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
showView(floor.dataset.view);
plan.fit();
picture?.layOut();
picture?.ask();
showSaved();
store.listen();
floor.dataset.ready = 'true';
Object.assign(window, { idleLens: { store, desk, playback, plan, picture, chain, score, settings, curves } });
