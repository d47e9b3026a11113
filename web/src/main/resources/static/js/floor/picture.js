// The picture: the set through the lens, drawn from what the server computed.
import { drawSoon } from '../common/draw-soon.js';
import * as THREE from '/webjars/three/0.181.1/build/three.module.min.js';
import { isHeld } from '../common/reach.js';
import { drawMarks } from './picture-marks.js';
import { makeSky, setSun, SKY } from '../solids/materials.js';
import { Air } from '../solids/air.js';
import { Lamps } from '../solids/lamps.js';
import { Solids } from '../solids/solids.js';
import { shineOf } from '../shot/looks.js';
import { lensIn, poseIn } from '../shot/samples.js';
import { seenBy } from '../shot/seen.js';
import { lookThrough } from '../solids/look-through.js';

const SLOW_MS = 25;
const REST_MS = 260;
const COARSEST = 0.4;
const COARSEST_IN_SOFTWARE = 0.25;
const SOFTWARE_LAG = 2; // frames
const WITHOUT_SUN = 2.2;
const SUN_AT_ONE = 2.6;
const FINE = 2; // more points than the screen has, against jagged edges
const FINE_IN_SOFTWARE = 1.5;
const SHADOW_REACH_M = 24;

/** Draws when something changed; lowers its resolution before its rate. */
export class Picture {
  constructor(store, desk, { view, canvas, guides, marks }) {
    this.store = store;
    this.desk = desk;
    this.view = view;
    this.canvas = canvas;
    this.guides = guides;
    this.marks = marks;
    this.scale = 1; // of the resolution while something moves
    this.drawnScale = 1;
    this.abort = new AbortController();
    this.renderer = new THREE.WebGLRenderer({ canvas, antialias: false, powerPreference: 'high-performance' });
    this.software = isSoftware(this.renderer.getContext());
    this.coarsest = this.software ? COARSEST_IN_SOFTWARE : COARSEST;
    if (this.software) this.scale = COARSEST;
    this.renderer.shadowMap.enabled = true;
    this.renderer.shadowMap.type = this.software ? THREE.BasicShadowMap : THREE.PCFShadowMap;
    this.renderer.setOpaqueSort((a, b) => a.renderOrder - b.renderOrder || a.z - b.z);
    this.renderer.shadowMap.autoUpdate = false;
    this.scene = new THREE.Scene();
    this.solids = new Solids(store, this.scene);
    this.lamps = new Lamps(store, this.scene);
    this.air = new Air(store, this.scene);
    this.camera = new THREE.PerspectiveCamera(30, 16 / 9, 0.05, 2000);
    this.sky = makeSky();
    this.scene.add(this.sky);
    this.skyLight = new THREE.HemisphereLight(SKY.high, new THREE.Color('#8d8064'), 1.55);
    this.scene.add(this.skyLight);
    this.sun = this.makeSun();
    this.listen();
  }

  makeSun() {
    const sun = new THREE.DirectionalLight('#ffffff', 0);
    sun.castShadow = true;
    sun.shadow.mapSize.set(2048, 2048);
    sun.shadow.bias = -0.0004;
    sun.shadow.normalBias = this.software ? 0.12 : 0.06; // against teeth along curved walls
    const box = sun.shadow.camera;
    box.left = -SHADOW_REACH_M;
    box.right = SHADOW_REACH_M;
    box.top = SHADOW_REACH_M;
    box.bottom = -SHADOW_REACH_M;
    box.near = 1;
    box.far = 160;
    this.scene.add(sun, sun.target);
    return sun;
  }

  listen() {
    const { signal } = this.abort;
    const draw = () => this.ask();
    this.store.addEventListener('shot', () => this.syncPieces(), { signal });
    this.store.addEventListener('meshes', () => this.syncPieces(), { signal });
    this.store.addEventListener(
      'motion',
      () => {
        this.shadowsStale = true;
        this.air.sync();
        draw();
      },
      { signal },
    );
    this.store.addEventListener('ghost', draw, { signal });
    this.store.addEventListener('pictures', draw, { signal });
    this.desk.addEventListener('frame', draw, { signal });
    this.desk.addEventListener('live', draw, { signal });
    this.desk.addEventListener('selection', draw, { signal });
    this.desk.addEventListener('layout', draw, { signal });
    this.view.addEventListener('click', (event) => this.pickAt(event), { signal });
    this.observer = new ResizeObserver(() => {
      this.layOut();
      draw();
    });
    this.observer.observe(this.view);
  }

  syncPieces() {
    this.solids.sync();
    this.lamps.sync();
    this.air.sync();
    this.shadowsStale = true;
    this.ask();
  }

  /** Fits the canvas into its place at the picture's aspect. */
  layOut() {
    if (!this.store.header) return;
    const { aspect } = this.store.header;
    const width = this.view.clientWidth - 6;
    const height = this.view.clientHeight - 4;
    const w = Math.max(10, Math.floor(Math.min(width, height * aspect)));
    const h = Math.max(10, Math.floor(w / aspect));
    const left = `${Math.floor((this.view.clientWidth - w) / 2)}px`;
    const top = `${Math.floor((this.view.clientHeight - h) / 2)}px`;
    for (const element of [this.canvas, this.guides, this.marks]) {
      element.style.left = left;
      element.style.top = top;
      element.style.width = `${w}px`;
      element.style.height = `${h}px`;
    }
    this.view.style.setProperty('--picture-height', `${h}px`);
    this.marks.setAttribute('viewBox', `0 0 ${w} ${h}`);
    this.size = { w, h };
    this.resize(this.scale);
  }

  resize(scale) {
    this.drawnScale = scale;
    this.renderer.setPixelRatio(scale * Math.min(devicePixelRatio, 2));
    this.renderer.setSize(this.size.w, this.size.h, false);
  }

  /** Asks for a drawing in the next animation frame, and for a fine one once all is at rest. */
  ask() {
    if (this.asked || !this.store.header) return;
    this.asked = true;
    clearTimeout(this.resting);
    const drawn = (now) => {
      this.asked = false;
      if (this.size && this.drawnScale !== this.scale) this.resize(this.scale);
      this.draw();
      requestAnimationFrame((next) => this.adapt(next - now));
      this.resting = setTimeout(() => this.rest(), REST_MS);
    };
    drawSoon(this.view, drawn, this.software ? SOFTWARE_LAG : 1);
  }

  /** Nothing moves any more: draws finely, once. */
  rest() {
    if (isHeld()) {
      this.resting = setTimeout(() => this.rest(), REST_MS); // a hand may go on at any moment
      return;
    }
    const scale = this.software ? FINE_IN_SOFTWARE : FINE;
    if (this.asked || (this.drawnScale === scale && !this.shadowsStale)) return;
    if (this.drawnScale !== scale) this.resize(scale);
    this.draw(true);
  }

  /** @param fine whether there is time for shadows even where they are slow */
  draw(fine = false) {
    const { store, desk } = this;
    const now = { motion: store.motion, grid: store.grid, byId: store.byId, live: store.live };
    const seen = desk.camera && look(now, desk.camera, desk.frame);
    this.canvas.hidden = !seen;
    if (!seen) return;
    if (!this.size || Math.abs(this.size.w / this.size.h - store.header.aspect) > 0.02) this.layOut();
    const [first, second] = this.store.ghosts;
    const was = first && look(first, desk.camera, desk.frame);
    this.renderer.setScissorTest(Boolean(was));
    this.guides.style.visibility = was ? 'hidden' : '';
    if (!was) {
      this.drawLook(seen, now, fine, null);
      drawMarks(this, this.marks);
      return;
    }
    this.marks.replaceChildren();
    const { w, h } = this.size;
    const half = Math.floor(w / 2);
    const tall = Math.floor(half / store.header.aspect);
    const box = (x) => [x, Math.floor((h - tall) / 2), half - 1, tall];
    this.renderer.setScissor(0, 0, w, h);
    this.renderer.setClearColor('#232628');
    this.renderer.clear();
    this.drawLook(was, first, fine, box(0));
    this.drawLook((second && look(second, desk.camera, desk.frame)) ?? seen, second ?? now, fine, box(half + 1));
    this.shadowsStale = true; // the next picture alone has its own
  }

  /** One picture: the set as it is in a state, seen by its camera, in a box or all over. */
  drawLook({ pose, lens }, state, fine, box, frame = this.desk.frame) {
    const { w, h } = this.size;
    const [x, y, width, height] = box ?? [0, 0, w, h];
    this.renderer.setViewport(x, y, width, height);
    this.renderer.setScissor(x, y, width, height);
    lookThrough(this.camera, pose, seenBy(lens));
    this.sky.position.copy(this.camera.position);
    const moved = this.solids.place(state, frame, 'picture');
    this.lamps.place(state, frame, 'picture');
    this.air.place(state, frame, height * this.renderer.getPixelRatio(), 'picture');
    this.placeSun();
    this.shadowsStale ||= moved;
    if (this.shadowsStale && (fine || !this.software)) {
      this.renderer.shadowMap.needsUpdate = true;
      this.shadowsStale = false;
    }
    this.renderer.render(this.scene, this.camera);
  }

  placeSun() {
    const node = this.store.nodes.find((n) => n.kind === 'sun' && !this.store.isHidden(n, 'picture'));
    const pose = node && this.store.pose(node.id, this.desk.frame);
    const direction = new THREE.Vector3(0.3, -1, -0.2);
    if (pose) direction.set(0, 0, -1).applyQuaternion(new THREE.Quaternion(pose.qx, pose.qy, pose.qz, pose.qw));
    direction.normalize();
    const colour = new THREE.Color(node?.colour ?? '#ffffff');
    this.sun.intensity = this.sunlight(node);
    this.sun.color.copy(colour);
    const centre = this.camera.position
      .clone()
      .addScaledVector(new THREE.Vector3(0, 0, -1).applyQuaternion(this.camera.quaternion).setY(0), 13);
    // moves in steps, so that shadows stand still
    centre.set(Math.round(centre.x / 4) * 4, 0, Math.round(centre.z / 4) * 4);
    if (!this.sun.target.position.equals(centre)) this.shadowsStale = true;
    this.sun.target.position.copy(centre);
    this.sun.position.copy(centre).addScaledVector(direction, -80);
    const sunTo = direction.clone().negate();
    setSun(this.sky.material, sunTo, colour);
    this.solids.light(sunTo, colour);
  }

  /** A set that came without any light can be seen all the same. */
  sunlight(node) {
    if (node) return node.strength * SUN_AT_ONE * shineOf(this.store, node, this.desk.frame);
    return this.store.nodes.some((n) => n.kind === 'light') ? 0 : WITHOUT_SUN;
  }

  /** Lowers the resolution where drawings come too slowly, raises it again where there is time. */
  adapt(took) {
    if (took > 1000) return; // the window was not shown
    this.pace = this.pace === undefined ? took : this.pace * 0.7 + took * 0.3;
    if (this.pace > SLOW_MS && this.scale > this.coarsest) {
      this.scale = Math.max(this.coarsest, this.scale * 0.8);
      this.pace = undefined;
    } else if (this.pace < SLOW_MS * 0.6 && this.scale < 1 && !this.software) {
      this.scale = Math.min(1, this.scale * 1.1);
      this.pace = undefined;
    }
  }

  /**
   * The picture of the camera shown at a frame, as a canvas so many pixels wide; what is on screen is drawn again
   * before it could be seen otherwise. Null where there is no camera.
   */
  shot(frame, width) {
    const { store, desk } = this;
    const now = { motion: store.motion, grid: store.grid, byId: store.byId };
    const seen = this.size && desk.camera && look(now, desk.camera, frame);
    if (!seen) return null;
    const small = document.createElement('canvas');
    small.width = width;
    small.height = Math.round(width / store.header.aspect);
    this.drawLook(seen, now, true, null, frame);
    small.getContext('2d', { willReadFrequently: true }).drawImage(this.canvas, 0, 0, small.width, small.height);
    this.shadowsStale = true;
    this.draw(true);
    return small;
  }

  /** Pixels on the canvas of a place in the world as it was last drawn, or null where it is not in the picture. */
  project([x, y, z]) {
    const at = new THREE.Vector3(x, y, z).project(this.camera);
    if (Math.abs(at.x) > 1 || Math.abs(at.y) > 1 || at.z > 1) return null;
    return [((at.x + 1) / 2) * this.size.w, ((1 - at.y) / 2) * this.size.h];
  }

  /** The piece under the pointer, or null. */
  pieceAt(event) {
    const box = this.canvas.getBoundingClientRect();
    const at = new THREE.Vector2(
      ((event.clientX - box.left) / box.width) * 2 - 1,
      1 - ((event.clientY - box.top) / box.height) * 2,
    );
    const ray = new THREE.Raycaster();
    ray.setFromCamera(at, this.camera);
    const solids = [...this.solids.pieces.values()].map((p) => p.solid).filter((solid) => solid.visible);
    return ray.intersectObjects(solids)[0]?.object.userData.id ?? null;
  }

  /** While a node is to be picked, a click in the picture picks what is seen there; or says where a subject sits. */
  pickAt(event) {
    if (!this.desk.picking) {
      this.frameAt(event);
      return;
    }
    const id = this.pieceAt(event);
    if (id) this.desk.select(id);
  }

  /** While something is framed up, a click says where in the picture it is to sit. */
  frameAt(event) {
    const box = this.canvas.getBoundingClientRect();
    const [x, y] = [(event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height];
    if (this.desk.tab === 'frame' && x >= 0 && x <= 1 && y >= 0 && y <= 1) this.desk.framing.placeAt(x, y);
  }

  setGuides(on) {
    this.guides.style.display = on ? '' : 'none';
  }

  dispose() {
    this.abort.abort();
    this.observer.disconnect();
    this.renderer.dispose();
  }
}

/** What a camera of a state does at a frame, or null. */
function look(state, id, frame) {
  const pose = poseIn(state, id, frame);
  const lens = lensIn(state, id, frame);
  return pose && lens ? { pose, lens } : null;
}

/** Whether pictures are computed without a graphics card. */
function isSoftware(gl) {
  const info = gl.getExtension('WEBGL_debug_renderer_info');
  return info !== null && /swiftshader|llvmpipe|software/i.test(gl.getParameter(info.UNMASKED_RENDERER_WEBGL));
}
