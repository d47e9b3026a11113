// A scene through its camera, frame by frame.
import * as THREE from 'three';
import { angleAt } from './lens-motion.js';

/** @import { Opened } from './reading.js' */
/** @import { Told } from './plates.js' */

const PLAIN = { width: 640, height: 360, rate: 24, first: 0 };

/**
 * A card with words, a metre wide.
 *
 * @param {string} text
 */
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

/**
 * Clips that stand at their end after it.
 *
 * @param {THREE.AnimationMixer} mixer
 * @param {THREE.AnimationClip[]} clips
 */
function playing(mixer, clips) {
  return clips.map((clip) => {
    const action = mixer.clipAction(clip);
    action.setLoop(THREE.LoopOnce, 1);
    action.clampWhenFinished = true;
    return action.play();
  });
}

export class View {
  /**
   * @param {THREE.WebGLRenderer} renderer
   * @param {Opened} opened
   * @param {Told | null} told of the plates
   */
  constructor(renderer, opened, told) {
    this.renderer = renderer;
    this.scene = opened.scene;
    this.cameras = opened.cameras;
    this.zooms = opened.zooms;
    this.root = new THREE.Scene();
    this.root.add(this.scene, new THREE.HemisphereLight('#ffffff', '#666666', 2.4));
    this.mixer = new THREE.AnimationMixer(this.scene);
    this.actions = playing(this.mixer, opened.clips);
    const { width, height, rate, first } = told ?? PLAIN;
    this.width = width;
    this.height = height;
    this.rate = rate;
    this.first = first;
    const seconds = Math.max(0, ...opened.clips.map((clip) => clip.duration));
    this.count = told?.count ?? Math.round(seconds * rate) + 1;
    this.renderer.setSize(width, height, false);
    this.choose(0);
  }

  get names() {
    return this.cameras.map((c, i) => c.name || c.parent?.name || `camera ${i + 1}`);
  }

  get last() {
    return this.first + this.count - 1;
  }

  /** @param {number} index of a camera */
  choose(index) {
    this.camera = this.cameras[index];
    this.camera.aspect = this.width / this.height;
    this.camera.updateProjectionMatrix();
  }

  /**
   * Puts everything where it is at a frame.
   *
   * @param {number} frame
   */
  pose(frame) {
    const seconds = (frame - this.first) / this.rate;
    this.actions.forEach((action) => (action.paused = false)); // one that came to its end is
    this.mixer.setTime(seconds);
    const zoom = this.zooms.get(this.camera);
    if (zoom) {
      this.camera.fov = angleAt(zoom, seconds);
      this.camera.updateProjectionMatrix();
    }
    this.root.updateMatrixWorld(true);
  }

  /**
   * Where the camera sees a place, as it stands now.
   *
   * @param {number[]} at in metres
   * @returns {{x: number, y: number} | null} in pixels; null if it lies behind the camera
   */
  seen(at) {
    const place = new THREE.Vector3().fromArray(at);
    const ahead = -place.clone().applyMatrix4(this.camera.matrixWorldInverse).z;
    if (ahead <= 0) return null;
    place.project(this.camera);
    return { x: ((place.x + 1) / 2) * this.width, y: ((1 - place.y) / 2) * this.height };
  }

  /**
   * Stands a card with words at a place, turned to the camera as that stands at the middle frame.
   *
   * @param {string} text
   * @param {number[]} at in metres
   */
  place(text, at) {
    this.card?.removeFromParent();
    this.card = card(text);
    this.pose(this.first + Math.floor(this.count / 2));
    this.card.position.fromArray(at);
    this.card.quaternion.copy(this.camera.getWorldQuaternion(new THREE.Quaternion()));
    this.root.add(this.card);
  }

  /**
   * @param {number} frame
   * @param {number} share of what came in the file, over the plate: 0 to 1
   */
  draw(frame, share) {
    this.pose(frame);
    this.scene.traverse((o) => {
      if (!(o instanceof THREE.Mesh)) return;
      o.visible = share > 0;
      [o.material].flat().forEach((m) => Object.assign(m, { transparent: true, opacity: share }));
    });
    this.renderer.render(this.root, this.camera);
  }
}
