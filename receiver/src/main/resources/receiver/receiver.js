// Plays a camera that was handed over, over the plates that came along, and measures whether what stands in
// the set sticks to them: where a mark is in the pixels of the plate, and where this camera sees its place.
import * as THREE from 'three';
import { ColladaLoader } from 'three/addons/loaders/ColladaLoader.js';
import { GLTFLoader } from 'three/addons/loaders/GLTFLoader.js';
import { angleAt, pointedAngles, takenAngles } from './lens-motion.js';

const LIMIT_PX = 0.5;
const SEARCH_PX = 14;
const MARK_PX = 9;
/** A mark stands in a dark ring, so that its edge mixes with one colour only. */
const RING = 16;
const RING_PX = 6;
const READ = /\.(glb|dae)$/i;
const $ = (id) => document.getElementById(id);

/** The camera of a node in a COLLADA document, by the id of the camera. */
function camerasById(xml, scene) {
  const found = new Map();
  const cameras = [];
  scene.traverse((o) => o.isCamera && cameras.push(o));
  [...xml.querySelectorAll('instance_camera')].forEach((instance, i) => found.set(instance.getAttribute('url').slice(1), cameras[i]));
  return found;
}

/** Reads a file: its scene, what moves in it, and the angle of each camera that zooms. */
async function opened(name) {
  const url = `/handed/${name.split('/').map(encodeURIComponent).join('/')}`;
  if (/\.dae$/i.test(name)) {
    const xml = new DOMParser().parseFromString(await (await fetch(url)).text(), 'application/xml');
    const angles = takenAngles(xml);
    const { scene } = new ColladaLoader().parse(new XMLSerializer().serializeToString(xml), '');
    const cameras = camerasById(xml, scene);
    return { scene, clips: scene.animations ?? [], zooms: new Map([...angles].map(([id, a]) => [cameras.get(id), a])) };
  }
  const gltf = await new GLTFLoader().loadAsync(url);
  const angles = await pointedAngles(gltf);
  const zooms = new Map();
  gltf.scene.traverse((o) => {
    const index = gltf.parser.associations.get(o)?.cameras;
    if (o.isCamera && angles.has(index)) zooms.set(o, angles.get(index));
  });
  if (!zooms.size && angles.size) gltf.cameras.forEach((c, i) => angles.has(i) && zooms.set(c, angles.get(i)));
  return { scene: gltf.scene, clips: gltf.animations, zooms };
}

/** A card with words, a metre wide, that faces the camera at the middle frame. */
function card(text) {
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = [256, 96];
  const pen = canvas.getContext('2d');
  pen.fillStyle = '#f4f0e7';
  pen.fillRect(0, 0, 256, 96);
  pen.fillStyle = '#1d2930';
  pen.font = 'bold 44px sans-serif';
  pen.textAlign = 'center';
  pen.fillText(text, 128, 63, 236);
  const map = new THREE.CanvasTexture(canvas);
  map.colorSpace = THREE.SRGBColorSpace;
  return new THREE.Mesh(
    new THREE.PlaneGeometry(1, 0.375).translate(0, 0.28, 0),
    new THREE.MeshBasicMaterial({ map, side: THREE.DoubleSide }),
  );
}

/** How far each pixel around a place is from a colour: 0 at it, 1 at the dark ring of a mark. */
function* around(pixels, colour, middle, radius) {
  const rgb = [1, 3, 5].map((i) => parseInt(colour.slice(i, i + 2), 16));
  const whole = rgb.reduce((sum, v) => sum + Math.abs(v - RING), 0);
  const from = (v) => Math.max(0, Math.floor(v - radius));
  for (let y = from(middle.y); y < Math.min(pixels.height, middle.y + radius); y++) {
    for (let x = from(middle.x); x < Math.min(pixels.width, middle.x + radius); x++) {
      const at = 4 * (y * pixels.width + x);
      const off = rgb.reduce((sum, v, i) => sum + Math.abs(pixels.data[at + i] - v), 0) / whole;
      yield { x: x + 0.5, y: y + 0.5, off };
    }
  }
}

/** @returns {{x: number, y: number} | null} the mean of places by weight, if there is enough of it */
function mean(places, least) {
  let [sum, x, y] = [0, 0, 0];
  for (const p of places) {
    sum += p.weight;
    x += p.weight * p.x;
    y += p.weight * p.y;
  }
  return sum >= least ? { x: x / sum, y: y / sum } : null;
}

/** Where the middle of a mark lies in the pixels of a plate, looked for near a place; null if it is not there. */
function middleOf(pixels, colour, near) {
  const full = [...around(pixels, colour, near, SEARCH_PX)].filter((p) => p.off < 0.2).map((p) => ({ ...p, weight: 1 }));
  const rough = mean(full, 8);
  if (!rough) return null;
  const inRing = [...around(pixels, colour, rough, RING_PX + 1)].filter((p) => Math.hypot(p.x - rough.x, p.y - rough.y) < RING_PX);
  return mean(
    inRing.map((p) => ({ ...p, weight: Math.max(0, 1 - p.off) })),
    8,
  );
}

class Receiver {
  async start() {
    const names = await (await fetch('/names.json')).json();
    const files = names.filter((n) => READ.test(n));
    if (!files.length) throw new Error('No .glb or .dae was handed over');
    this.plates = names.includes('plates/plates.json') ? await (await fetch('/handed/plates/plates.json')).json() : null;
    $('file').replaceChildren(...files.map((n) => new Option(n, n)));
    this.fillMarks();
    await this.open(files[0]);
    this.listen();
  }

  fillMarks() {
    const marks = this.plates?.marks ?? [];
    $('mark').replaceChildren(...marks.map((m, i) => new Option(`mark ${i + 1}, ${m.colour}`, String(i))));
  }

  listen() {
    $('file').onchange = () => this.open($('file').value);
    $('camera').onchange = () => this.chooseCamera();
    $('frame').oninput = () => this.show(Number($('frame').value));
    $('text').oninput = $('mark').onchange = () => this.placeCard();
    $('mix').oninput = () => this.show(this.frame);
    $('play').onclick = () => this.play();
  }

  async open(name) {
    const { scene, clips, zooms } = await opened(name);
    this.zooms = zooms;
    this.root = new THREE.Scene();
    this.root.add(scene, new THREE.HemisphereLight('#ffffff', '#666666', 2.4));
    this.set = scene;
    this.mixer = new THREE.AnimationMixer(scene);
    clips.forEach((clip) => {
      const action = this.mixer.clipAction(clip);
      action.setLoop(THREE.LoopOnce);
      action.clampWhenFinished = true;
      action.play();
    });
    this.last = clips.reduce((most, clip) => Math.max(most, clip.duration), 0);
    this.cameras = [];
    scene.traverse((o) => o.isCamera && this.cameras.push(o));
    $('camera').replaceChildren(...this.cameras.map((c, i) => new Option(c.name || c.parent?.name || `camera ${i + 1}`, String(i))));
    this.makePicture();
    this.chooseCamera();
    this.placeCard();
    await this.measure();
  }

  makePicture() {
    const { width, height } = this.plates ?? { width: 640, height: 360 };
    this.size = { width, height };
    this.renderer ??= new THREE.WebGLRenderer({ canvas: $('picture'), alpha: true, antialias: true, preserveDrawingBuffer: true });
    this.renderer.setSize(width, height, false);
    this.rate = this.plates?.rate ?? 24;
    this.first = this.plates?.first ?? 0;
    this.count = this.plates?.count ?? Math.round(this.last * this.rate) + 1;
    Object.assign($('frame'), { min: this.first, max: this.first + this.count - 1, value: this.first });
  }

  chooseCamera() {
    this.camera = this.cameras[Number($('camera').value) || 0];
    this.camera.aspect = this.size.width / this.size.height;
    this.camera.updateProjectionMatrix();
    this.show(this.frame ?? this.first);
  }

  /** Puts the camera where it is at a frame. */
  pose(frame) {
    const seconds = (frame - this.first) / this.rate;
    this.mixer.setTime(seconds);
    const zoom = this.zooms.get(this.camera);
    if (zoom) {
      this.camera.fov = angleAt(zoom, seconds);
      this.camera.updateProjectionMatrix();
    }
    this.root.updateMatrixWorld(true);
  }

  placeCard() {
    const mark = this.plates?.marks[Number($('mark').value) || 0];
    this.card?.removeFromParent();
    if (!mark) return;
    this.card = card($('text').value);
    this.pose(this.first + Math.floor(this.count / 2));
    this.card.position.fromArray(mark.at);
    this.card.quaternion.copy(this.camera.getWorldQuaternion(new THREE.Quaternion()));
    this.root.add(this.card);
    this.show(this.frame ?? this.first);
  }

  /** Where this camera sees a place, in pixels. */
  seen(at) {
    const p = new THREE.Vector3().fromArray(at).project(this.camera);
    return { x: ((p.x + 1) / 2) * this.size.width, y: ((1 - p.y) / 2) * this.size.height };
  }

  show(frame) {
    this.frame = frame;
    $('frame').value = String(frame);
    $('where').textContent = `frame ${frame}`;
    if (this.plates) $('plate').src = `/handed/plates/${frame}.png`;
    this.pose(frame);
    this.set.traverse((o) => o.isMesh && this.fade(o));
    this.renderer.render(this.root, this.camera);
    this.fillTable();
    this.drawStrip();
  }

  fade(mesh) {
    const share = this.plates ? Number($('mix').value) : 1;
    mesh.visible = share > 0;
    [mesh.material].flat().forEach((m) => Object.assign(m, { transparent: true, opacity: share }));
  }

  async pixelsOf(frame) {
    const blob = await (await fetch(`/handed/plates/${frame}.png`)).blob();
    const picture = await createImageBitmap(blob, { colorSpaceConversion: 'none' });
    const canvas = new OffscreenCanvas(picture.width, picture.height);
    const pen = canvas.getContext('2d', { willReadFrequently: true });
    pen.drawImage(picture, 0, 0);
    return pen.getImageData(0, 0, picture.width, picture.height);
  }

  /** Holds every mark of every plate against where this camera sees its place. */
  async measure() {
    this.found = [];
    if (!this.plates) return this.say();
    for (let i = 0; i < this.count; i++) {
      const frame = this.first + i;
      const pixels = await this.pixelsOf(frame);
      this.pose(frame);
      this.found.push(
        this.plates.marks.map((mark) => {
          const here = this.seen(mark.at);
          const plate = middleOf(pixels, mark.colour, here);
          return { here, plate, apart: plate ? Math.hypot(plate.x - here.x, plate.y - here.y) : null };
        }),
      );
    }
    this.say();
    return this.show(this.frame);
  }

  /** The largest distance on each frame; null where no mark is in the plate near where it should be. */
  get apart() {
    return this.found.map((marks) => {
      const all = marks.map((m) => m.apart).filter((a) => a !== null);
      return all.length ? Math.max(...all) : null;
    });
  }

  say() {
    const verdict = $('verdict');
    const all = this.apart;
    const there = all.filter((a) => a !== null);
    const inside = this.found.filter((marks) => marks.some((m) => this.isInside(m.here))).length;
    const most = Math.max(0, ...there);
    const good = this.plates && there.length >= inside * 0.98 && most <= LIMIT_PX && there.length > 0;
    verdict.className = good ? 'good' : 'bad';
    verdict.textContent = this.plates
      ? good
        ? `It sticks: on ${there.length} frames no mark is more than ${most.toFixed(2)} px off.`
        : `It does not stick: ${there.length} of ${inside} frames have a mark where it should be, up to ${most.toFixed(2)} px off.`
      : 'No plates came along: only the camera and its set are shown.';
    document.body.dataset.most = String(most);
    document.body.dataset.good = String(Boolean(good));
  }

  isInside({ x, y }) {
    return x > MARK_PX && y > MARK_PX && x < this.size.width - MARK_PX && y < this.size.height - MARK_PX;
  }

  fillTable() {
    const marks = this.found?.[this.frame - this.first] ?? [];
    const text = (p) => (p ? `${p.x.toFixed(2)}, ${p.y.toFixed(2)}` : 'not there');
    $('marks').replaceChildren(
      ...marks.map((m, i) => {
        const row = document.createElement('tr');
        const dot = Object.assign(document.createElement('span'), { className: 'dot' });
        dot.style.background = this.plates.marks[i].colour;
        const cells = [String(i + 1), text(m.plate), text(m.here), m.apart === null ? '–' : m.apart.toFixed(3)];
        row.replaceChildren(...cells.map((c) => Object.assign(document.createElement('td'), { textContent: c })));
        row.firstChild.prepend(dot);
        return row;
      }),
    );
  }

  drawStrip() {
    const all = this.found ? this.apart : [];
    const most = Math.max(LIMIT_PX * 1.2, ...all.map((a) => a ?? 0));
    const x = (i) => 40 + (550 * i) / Math.max(1, this.count - 1);
    const y = (a) => 92 - (80 * a) / most;
    const points = all.map((a, i) => (a === null ? '' : `${x(i).toFixed(1)},${y(a).toFixed(1)}`)).join(' ');
    const now = x(this.frame - this.first);
    $('strip').innerHTML =
      `<line x1="40" x2="590" y1="${y(LIMIT_PX)}" y2="${y(LIMIT_PX)}"/><text x="2" y="${y(LIMIT_PX) + 4}">${LIMIT_PX} px</text>` +
      `<line class="now" x1="${now}" x2="${now}" y1="6" y2="94"/><polyline points="${points}"/>` +
      `<text x="40" y="107">${this.first}</text><text x="590" y="107" text-anchor="end">${this.first + this.count - 1}</text>`;
  }

  play() {
    this.playing = !this.playing;
    $('play').textContent = this.playing ? 'Pause' : 'Play';
    const from = performance.now();
    const start = this.frame - this.first;
    const step = () => {
      if (!this.playing) return;
      const i = (start + Math.floor(((performance.now() - from) / 1000) * this.rate)) % this.count;
      if (this.first + i !== this.frame) this.show(this.first + i);
      requestAnimationFrame(step);
    };
    requestAnimationFrame(step);
  }
}

try {
  await new Receiver().start();
  document.body.dataset.ready = 'true';
} catch (problem) {
  console.error(problem);
  $('verdict').className = 'bad';
  $('verdict').textContent = problem.message;
}
