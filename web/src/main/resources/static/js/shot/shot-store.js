// The shot as this window knows it: document, motion, triangles; and the flow of edits.
import { getAnswer, getOctets, newRequest, Problem, postOctets, postTable } from '../common/api.js';
import { isShown } from './looks.js';
import { unpack } from './octets.js';
import { carrierAt, carrierOf, complete, everCarrying, partOf, titleOf } from './parts.js';
import { pictureFrame } from './picture-frame.js';
import { lensIn, poseIn, valueAt } from './samples.js';

const SHOW_EVERY_MS = 40;
const AGAIN_AFTER_MS = 1500;

/**
 * Events: 'shot' (document changed), 'motion' (samples changed, detail.ids), 'meshes', 'pictures' (one that a card
 * shows has come), 'ghost' (another version beside this one), 'saving' (state of storage), 'people', 'refused'
 * (detail: the Problem), 'not-shown' (detail: the edits that were refused while only shown).
 */
export class ShotStore extends EventTarget {
  constructor(id) {
    super();
    this.id = id;
    this.revision = 0;
    this.header = null;
    this.nodes = [];
    this.markers = [];
    /** @type {import('./program.js').Cut[]} */
    this.program = [];
    this.picture = pictureFrame();
    this.byId = new Map();
    this.motion = new Map();
    this.meshes = new Map();
    this.grid = { first: 0, count: 1 };
    this.saving = { state: 'saved', at: Date.now() };
    this.apart = ''; // why others are not heard, while that is so
    this.queue = Promise.resolve();
    this.drawn = new Set(); // nodes whose curves and tangents are drawn
    this.slopes = false; // whether their speed and acceleration are drawn too
    this.before = null; // what is stored, while something else is shown
    this.ghosts = []; // one or two other versions, to compare with
    this.live = null; // {id, pose, lens}: where a hand has a camera just now, whatever is stored
    this.shown = null; // what is shown but not stored
    this.lead = null; // edits of something that is tried: they come before all others
    this.lastShow = 0;
  }

  path(rest) {
    return `/api/shots/${this.id}${rest}`;
  }

  announce(name, detail) {
    this.dispatchEvent(new CustomEvent(name, { detail }));
  }

  async load() {
    const answer = await getAnswer(this.path(''));
    const shot = await answer.json();
    const rate = this.header?.rate;
    this.header = shot;
    this.setNodes(shot.nodes);
    this.markers = shot.markers ?? [];
    this.program = shot.program ?? [];
    this.picture = pictureFrame(shot.picture);
    const [motion, meshes] = await Promise.all([
      getOctets(this.path(`/samples${this.curves()}`)),
      getOctets(this.path('/meshes')),
    ]);
    this.motion.clear();
    this.take(unpack(motion));
    this.take(unpack(meshes));
    this.revision = Number(answer.headers.get('Idle-Lens-Revision'));
    this.announce('shot');
    this.announce('motion', { ids: [...this.motion.keys()] });
    this.announce('meshes');
    this.keepGhostsInTime(rate);
  }

  /** The part of a call that asks for the curves that are drawn. */
  curves(ids = [...this.drawn], lead = '?') {
    return ids.length ? `${lead}curves=${ids.join(',')}&slopes=${this.slopes}` : '';
  }

  /**
   * Says whose curves and tangents are drawn, and fetches those that are not here.
   *
   * @param slopes whether their speed and acceleration are drawn too
   */
  async draw(ids, slopes) {
    this.drawn = new Set(ids);
    this.slopes = slopes;
    const missing = () =>
      [...this.drawn].filter((id) => this.byId.has(id) && this.motion.has(id) && this.lacks(this.motion.get(id)));
    // an answer before may have brought them
    if (missing().length) await this.next(() => this.fetchCurves(missing())).catch(() => {});
    // all else of a ghost is here
    const lackSlopes = ({ motion }) => [...this.drawn].some((id) => motion.has(id) && !motion.get(id).slopes);
    if (slopes && this.ghosts.some(lackSlopes)) await this.next(() => this.compare(this.ghosts)).catch(() => {});
  }

  lacks(motion) {
    return !motion.curves || (this.slopes && !motion.slopes);
  }

  async fetchCurves(ids) {
    if (!ids.length || this.before) return; // while something is shown, its own answer has them
    this.take(unpack(await getOctets(this.path(`/samples?nodes=${ids.join(',')}${this.curves(ids, '&')}`))));
    this.announce('motion', { ids });
  }

  setNodes(nodes) {
    this.nodes = nodes.map(complete);
    this.byId = new Map(nodes.map((node) => [node.id, node]));
  }

  /** Takes motion and triangles from a bundle. */
  take(bundle) {
    this.grid = bundle.grid;
    for (const node of bundle.nodes ?? []) this.motion.set(node.id, node);
    for (const mesh of bundle.meshes ?? []) for (const id of mesh.nodes) this.meshes.set(id, mesh);
  }

  /** Takes what an edit led to. */
  takeOutcome(bundle) {
    const { patch } = bundle;
    const changed = new Map(patch.nodes.map((node) => [node.id, node]));
    this.setNodes(patch.order.map((id) => changed.get(id) ?? this.byId.get(id)));
    const { rate } = this.header;
    if (patch.header) this.header = { ...this.header, ...patch.header };
    if (patch.markers) this.markers = patch.markers;
    if (patch.program) this.program = patch.program;
    if (patch.picture) this.picture = pictureFrame(patch.picture);
    this.take(bundle);
    for (const id of this.motion.keys()) {
      if (!this.byId.has(id)) {
        this.motion.delete(id);
        this.meshes.delete(id);
      }
    }
    this.announce('shot');
    this.announce('motion', { ids: bundle.nodes.map((node) => node.id) });
    if (bundle.stored) {
      this.keepGhostsInTime(rate);
      this.keepEdited();
    }
    if (bundle.meshes.length > 0 || patch.nodes.some((node) => node.kind === 'piece')) this.announce('meshes');
  }

  /** What is known of storage: 'saved' is only said after the server has said so. */
  setSaving(state, text) {
    this.saving = { state, text, at: Date.now() };
    this.announce('saving');
  }

  /** Whether others are heard; what was done while they were not is told on the first connection. */
  setConnected(connected, why) {
    this.apart = connected ? '' : why;
    this.announce('saving');
  }

  /** Runs one call after another, so that answers arrive in the order of the questions. */
  next(work) {
    const done = this.queue.then(work);
    this.queue = done.catch(() => {});
    return done;
  }

  /**
   * Stores edits. Gives false, after telling why, if they are refused.
   *
   * @param {object[]} edits
   * @param {string} [as] what they are called together, where they are several
   */
  edit(edits, as) {
    const all = this.led(edits);
    this.lead = null;
    return this.change((request) =>
      postOctets(this.path(`/edits${this.curves()}`), { revision: this.revision, edits: all, as }, request),
    );
  }

  /** Edits with those before them that are tried. */
  led(edits) {
    return [...(this.lead ?? []), ...edits];
  }

  undo() {
    return this.change((request) => postOctets(this.path(`/undo${this.curves()}`), undefined, request));
  }

  redo() {
    return this.change((request) => postOctets(this.path(`/redo${this.curves()}`), undefined, request));
  }

  /** Makes the shot as it was at a revision. */
  goBack(revision) {
    return this.change((request) => postOctets(this.path(`/go-back${this.curves()}`), { revision }, request));
  }

  /** Takes beats from a table. */
  takeBeats(table) {
    return this.change((request) => postTable(this.path(`/beats${this.curves()}`), table, request));
  }

  /** Makes a change after all before it, under one id however often it has to be sent. */
  change(call) {
    const request = newRequest();
    return this.next(() => this.store(() => call(request)));
  }

  async store(call) {
    this.setSaving('saving');
    try {
      await this.dropShown();
      const bundle = unpack(await this.untilAnswered(call));
      if (bundle.revision > this.revision + 1)
        await this.load(); // others were here in between
      else {
        this.takeOutcome(bundle);
        this.revision = bundle.revision;
      }
      this.setSaving('saved');
      return true;
    } catch (problem) {
      if (!(problem instanceof Problem)) throw problem;
      this.announce('refused', problem);
      if (problem.status === 409 || problem.status === 404) await this.catchUp().catch(() => {});
      this.setSaving(problem.retry ? 'trouble' : 'saved', problem.retry ? problem.message : undefined);
      return false;
    }
  }

  /** Does something that the server may refuse, and tells why. */
  async attempt(work) {
    try {
      await work();
    } catch (problem) {
      if (!(problem instanceof Problem)) throw problem;
      this.announce('refused', problem);
    }
  }

  /** Asks again while the server or its database does not answer; an edit is not lost by that. */
  async untilAnswered(call) {
    for (;;) {
      try {
        return await call();
      } catch (problem) {
        if (!(problem instanceof Problem) || !problem.retry) throw problem;
        this.setSaving('trouble', problem.message);
        await new Promise((resolve) => {
          setTimeout(resolve, AGAIN_AFTER_MS);
        });
      }
    }
  }

  /** Shows edits without storing them, at most every 40 ms; the last one always counts. */
  show(edits) {
    this.shown = { edits, all: this.led(edits), at: performance.now() };
    if (this.showing) {
      this.waiting = true;
      return;
    }
    this.showing = true;
    const wait = Math.max(0, SHOW_EVERY_MS - (performance.now() - this.lastShow));
    setTimeout(() => this.next(() => this.showNow()), wait);
  }

  async showNow() {
    this.lastShow = performance.now();
    const wanted = this.shown;
    try {
      if (wanted) {
        const body = { revision: this.revision, edits: wanted.all, provisional: true };
        const buffer = await postOctets(this.path(`/edits${this.curves()}`), body);
        if (!this.before)
          this.before = {
            nodes: this.nodes,
            header: this.header,
            markers: this.markers,
            program: this.program,
            picture: this.picture,
            motion: new Map(this.motion),
            meshes: new Map(this.meshes),
            grid: this.grid,
          };
        this.restoreBefore();
        this.takeOutcome(unpack(buffer));
      }
    } catch (problem) {
      if (!(problem instanceof Problem)) throw problem;
      this.announce('refused', problem);
      if (!problem.retry) this.announce('not-shown', wanted.edits);
    } finally {
      this.showing = false;
      if (this.waiting) {
        this.waiting = false;
        if (this.shown) this.show(this.shown.edits);
      }
    }
  }

  /** Puts the stored state back underneath, since what is shown is always made from that. */
  restoreBefore() {
    const { nodes, header, markers, program, picture, motion, meshes, grid } = this.before;
    this.setNodes(nodes);
    this.header = header;
    this.markers = markers;
    this.program = program;
    this.picture = picture;
    this.motion = new Map(motion);
    this.meshes = new Map(meshes);
    this.grid = grid;
  }

  async dropShown() {
    this.shown = null;
    this.waiting = false;
    if (this.before) {
      this.restoreBefore();
      this.before = null;
    }
  }

  /** Lets go of what is shown but not stored. */
  letGo() {
    return this.next(async () => {
      if (!this.before) {
        this.shown = null;
        return;
      }
      await this.dropShown();
      this.announce('shot');
      this.announce('motion', { ids: [...this.motion.keys()] });
      this.announce('meshes');
    });
  }

  /** Takes what led from the revision here to the newest; where that cannot be told, all of it. */
  async catchUp() {
    try {
      const bundle = unpack(
        await getOctets(this.path(`/changes?since=${this.revision}${this.curves(undefined, '&')}`)),
      );
      this.takeOutcome(bundle);
      this.revision = bundle.revision;
    } catch (problem) {
      if (!(problem instanceof Problem) || problem.retry) throw problem;
      await this.load();
    }
  }

  /**
   * Shows one version beside this state, or two beside one another, or none.
   *
   * @param versions each {revision, name}
   */
  async compare(versions) {
    this.ghosts = await Promise.all(versions.map((version) => this.fetchGhost(version)));
    this.announce('ghost');
  }

  /** At another rate the frames of the versions compared with are at other moments. */
  keepGhostsInTime(rateBefore) {
    if (this.header.rate !== rateBefore && this.ghosts.length)
      this.next(() => this.compare(this.ghosts)).catch(() => {});
  }

  /** The motion as it would be with edits. */
  async fetchEdited(ghost) {
    const body = { revision: this.revision, edits: ghost.edits, provisional: true };
    const bundle = unpack(await postOctets(this.path(`/edits${this.curves()}`), body));
    const motion = new Map((this.before ?? this).motion);
    for (const node of bundle.nodes) motion.set(node.id, node);
    return { ...ghost, grid: bundle.grid, motion };
  }

  /** The motion as it is without a card. */
  fetchWithout(without) {
    const { id, part } = without;
    const node = this.byId.get(id);
    const name = `without ${titleOf(node, partOf(node, part))}`;
    return this.fetchEdited({ without, name, edits: [{ edit: 'switch-part', id, part, on: false }] });
  }

  /** What is shown without a card, or with a take, follows what is stored. */
  keepEdited() {
    if (this.before || !this.ghosts.some((ghost) => ghost.edits)) return;
    const there = this.ghosts.filter(({ without }) => !without || partOf(this.byId.get(without.id), without.part));
    this.next(() => this.compare(there)).catch(() => {});
  }

  async fetchGhost(ghost) {
    const { revision, name, without, edits } = ghost;
    if (without) return this.fetchWithout(without);
    if (edits) return this.fetchEdited(ghost);
    const shot = await (await getAnswer(this.path(`?revision=${revision}`))).json();
    const ids = new Set(shot.nodes.map((node) => node.id));
    const curves = [...this.drawn].filter((id) => ids.has(id));
    const bundle = unpack(
      await getOctets(this.path(`/samples?revision=${revision}&alongside=${this.revision}${this.curves(curves, '&')}`)),
    );
    return { revision, name, grid: bundle.grid, motion: new Map(bundle.nodes.map((n) => [n.id, n])) };
  }

  value(frame, column) {
    return valueAt(this, column, frame);
  }

  /** Place and turn in the world at a frame. */
  pose(id, frame) {
    return poseIn(this, id, frame);
  }

  /** What the lens of a camera does at a frame. */
  lens(id, frame) {
    return lensIn(this, id, frame);
  }

  cameras() {
    return this.nodes.filter((node) => node.kind === 'camera');
  }

  /** What carries a node first, if something does. */
  carrier(node) {
    return node && this.byId.get(carrierOf(node));
  }

  /** All that ever carries a node, each after what carries it. */
  carriersOf(id) {
    const met = new Set([id]);
    const all = [];
    const walk = (node) => {
      for (const carrier of everCarrying(node).map((each) => this.byId.get(each))) {
        if (!carrier || met.has(carrier.id)) continue;
        met.add(carrier.id);
        walk(carrier);
        all.push(carrier);
      }
    };
    if (this.byId.has(id)) walk(this.byId.get(id));
    return all;
  }

  /** What carries a node at a frame, from the outermost down to it. */
  carryingAt(id, frame) {
    const chain = [];
    for (let each = carrierAt(this.byId.get(id), frame); each; each = carrierAt(this.byId.get(each), frame))
      chain.unshift(this.byId.get(each));
    return chain;
  }

  /** The rig of a node from the top down: what carries it, itself, and what of what it carries leads to a camera. */
  rigOf(id) {
    const rig = [...this.carriersOf(id), this.byId.get(id)];
    for (const camera of this.cameras()) {
      const way = [...this.carriersOf(camera.id), camera];
      const at = way.findIndex((n) => n.id === id);
      if (at >= 0) rig.push(...way.slice(at + 1));
    }
    return [...new Set(rig)];
  }

  /**
   * Whether a node is not shown at a frame.
   *
   * @param {import('./hidden.js').Where} [where]
   */
  isHidden(node, frame, where = 'views') {
    return !isShown(this, node, frame, where);
  }

  /** A name or id not yet used, made by counting. */
  freeName(name) {
    const names = new Set(this.nodes.map((node) => node.name));
    for (let i = 1; ; i++) {
      const tried = i === 1 ? name : `${name} ${i}`;
      if (!names.has(tried)) return tried;
    }
  }

  freeId(stem) {
    return `${stem}-${crypto.randomUUID().slice(0, 8)}`;
  }
}
