// What receivers want: the profiles that came along, and those that the production keeps.
import { postJson, remove } from '../common/api.js';
import { button, h } from '../common/dom.js';
import { axesDrawing, profileWords } from './axes-drawing.js';
import { select, tick, trouble, trying, valueRow } from './fields.js';

const FITS = [
  ['width', 'its full width'],
  ['height', 'its full height'],
];
const RESTS = [
  ['own-z', "along the file's −Z"],
  ['level', 'level, away from the viewer'],
];
const LETTERS = [
  ['any', 'all letters'],
  ['plain', 'a to z, digits, underlines'],
];
const ORIGINS = [
  ['centre', 'the middle of the picture'],
  ['corner', 'its upper left corner'],
];

/** @param {string} text */
const numberOf = (text) => (text.trim() === '' ? undefined : Number(text.replace(',', '.')));

export class Receivers {
  /** @param {import('./desk.js').Desk} desk */
  constructor(desk) {
    this.desk = desk;
    this.trouble = trouble();
    this.list = h('ul', { class: 'profile-list' });
    this.sheet = h('section', { class: 'panel', 'aria-label': 'Profile' });
    const words = 'Those that came along cannot be changed; a copy can.';
    this.root = h(
      'div',
      { class: 'desk-pair' },
      h(
        'section',
        { class: 'panel', 'aria-label': 'Profiles' },
        h('h2', { text: 'Receiver profiles' }),
        h('p', { text: words }),
        this.list,
      ),
      this.sheet,
    );
    desk.addEventListener('profiles', () => this.show());
    this.chosen = desk.profiles[0]?.name;
    this.show();
  }

  show() {
    if (!this.desk.profile(this.chosen)) this.chosen = this.desk.profiles[0]?.name;
    const items = this.desk.profiles.map((p) =>
      h(
        'li',
        {},
        h(
          'button',
          { type: 'button', 'aria-pressed': String(p.name === this.chosen), onclick: () => this.choose(p.name) },
          p.name,
          h('small', { text: p.builtIn ? 'came along' : 'kept here' }),
        ),
      ),
    );
    this.list.replaceChildren(...items);
    this.fill(this.desk.profile(this.chosen));
  }

  choose(name) {
    this.chosen = name;
    this.show();
  }

  fill(profile) {
    const axes = this.desk.axes(profile.axes);
    const head = h(
      'div',
      { class: 'receiver' },
      axesDrawing(axes),
      h('div', {}, h('h2', { text: profile.name }), h('p', { text: profileWords(profile, axes, this.desk.choices) })),
    );
    this.fields = this.makeFields(profile);
    const form = h(
      'form',
      { onsubmit: (event) => this.keep(event) },
      ...this.rows(),
      this.trouble,
      this.actions(profile),
    );
    form.querySelectorAll('input, select').forEach((field) => field.toggleAttribute('disabled', profile.builtIn));
    this.sheet.replaceChildren(head, form);
  }

  makeFields(profile) {
    const text = (value) =>
      h('input', { type: 'text', class: 'number', value: value === undefined ? '' : String(value) });
    const one = (options, value) => {
      const field = select(options);
      field.value = value;
      return field;
    };
    const { axes, orders, lens } = this.desk.choices;
    return {
      axes: one(
        axes.map((a) => [a.id, a.label]),
        profile.axes,
      ),
      metresPerUnit: text(profile.metresPerUnit),
      rest: one(RESTS, profile.rest),
      order: one(
        orders.map((o) => [o.id, o.label]),
        profile.order,
      ),
      rate: text(profile.rate),
      firstFrame: text(profile.firstFrame),
      lens: one(
        lens.map((l) => [l.id, l.label]),
        profile.lens,
      ),
      filmBack: text(profile.filmBackMm?.join(' x ')),
      fit: one(FITS, profile.fit),
      few: tick('few keys', { checked: profile.few }),
      placeMm: text(profile.placeMm),
      turnDeg: text(profile.turnDeg),
      handles: tick('go along', { checked: profile.handles }),
      prefix: text(profile.prefix),
      letters: one(LETTERS, profile.letters),
      widthPx: text(profile.widthPx),
      pixelAspect: text(profile.pixelAspect),
      origin: one(ORIGINS, profile.origin),
    };
  }

  rows() {
    const f = this.fields;
    return [
      valueRow('Axes', f.axes, 'Which way up is; the drawing shows them beside a camera that looks away.'),
      valueRow('Metres a unit', f.metresPerUnit, '0.01 for centimetres; in picture space 0.01 is 100 pixels a metre.'),
      valueRow('Camera at rest', f.rest, 'Where a camera looks that is not turned. Left-handed axes: level.'),
      valueRow(
        'Turns',
        f.order,
        'The order of the three angles: in XYZ, Z is done first. Tables and COLLADA say angles.',
      ),
      valueRow(
        'Frame rate',
        f.rate,
        "Empty for the shot's; else the shot is looked at at the moments of those frames.",
      ),
      valueRow('First frame', f.firstFrame, "Number of the first frame there; empty for the shot's own."),
      valueRow('Lens number', f.lens, 'What the number of a lens means there.'),
      valueRow(
        'Film back, mm',
        f.filmBack,
        'Such as 36 x 24: focal lengths are those that see the same on it. Empty for the camera’s own.',
      ),
      valueRow('Picture takes', f.fit, 'Which side of that film back the picture takes whole.'),
      valueRow('Keys', f.few, 'Leaves out keys past which going straight stays within the two tolerances.'),
      valueRow('Place within, mm', f.placeMm, 'How far off a place may be with few keys.'),
      valueRow('Turn within, °', f.turnDeg, 'How far off a turn may be with few keys.'),
      valueRow('Handles', f.handles, 'Frames beyond both ends of the range.'),
      valueRow('Names begin with', f.prefix, 'Put before every name.'),
      valueRow('Names have', f.letters, 'What else stands in a name becomes an underline; no two are the same.'),
      valueRow('Picture width, px', f.widthPx, 'For zoom and places in pixels, and for the check.'),
      valueRow('Pixel aspect', f.pixelAspect, 'Width of a pixel over its height.'),
      valueRow('Pixels count from', f.origin, 'To the right and down.'),
    ];
  }

  actions(profile) {
    const copy = button('Copy', () => this.copy(profile));
    if (profile.builtIn) return h('div', { class: 'actions' }, copy);
    const forget = button('Forget', () => this.forget(profile), { class: 'danger' });
    return h('div', { class: 'actions' }, forget, copy, h('button', { type: 'submit', class: 'main', text: 'Keep' }));
  }

  get path() {
    return `/api/productions/${this.desk.production}/profiles`;
  }

  copy(profile) {
    const names = new Set(this.desk.profiles.map((p) => p.name));
    let name = `${profile.name} copy`;
    for (let i = 2; names.has(name); i++) name = `${profile.name} copy ${i}`;
    const body = { ...profile, name };
    delete body.builtIn;
    return this.store(body);
  }

  store(body) {
    return trying(this.trouble, async () => {
      this.chosen = (await postJson(this.path, body)).name;
      await this.desk.loadProfiles();
    });
  }

  /** The form as the server takes it. */
  get body() {
    const f = this.fields;
    const ticked = (field) => field.querySelector('input').checked;
    const back = f.filmBack.value
      .split(/[x×, ]+/)
      .filter(Boolean)
      .map(Number);
    return {
      name: this.chosen,
      axes: f.axes.value,
      metresPerUnit: numberOf(f.metresPerUnit.value),
      rest: f.rest.value,
      order: f.order.value,
      rate: f.rate.value.trim() || undefined,
      firstFrame: numberOf(f.firstFrame.value),
      filmBackMm: back.length === 2 ? back : undefined,
      fit: f.fit.value,
      lens: f.lens.value,
      few: ticked(f.few),
      placeMm: numberOf(f.placeMm.value),
      turnDeg: numberOf(f.turnDeg.value),
      handles: ticked(f.handles),
      prefix: f.prefix.value,
      letters: f.letters.value,
      widthPx: numberOf(f.widthPx.value),
      pixelAspect: numberOf(f.pixelAspect.value),
      origin: f.origin.value,
    };
  }

  keep(event) {
    event.preventDefault();
    return this.store(this.body);
  }

  forget(profile) {
    return trying(this.trouble, async () => {
      await remove(`${this.path}/${encodeURIComponent(profile.name)}`);
      await this.desk.loadProfiles();
    });
  }
}
