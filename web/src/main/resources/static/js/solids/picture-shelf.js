// The pictures that cards show, as textures: fetched when they are first seen, let go of when others need the room.
import * as THREE from '/webjars/three/0.181.1/build/three.module.min.js';
import { getBlob } from '../common/api.js';

/** What is kept, in pixels: 400 MB on a graphics card. */
export const ROOM_PX = 100e6;
const MOST_AT_ONCE = 4;
const AGAIN_AFTER_MS = 15000;

class PictureShelf {
  constructor(store) {
    this.store = store;
    this.kept = new Map(); // the one that was asked for longest ago first
    this.pixels = 0;
    this.wanted = new Set(); // the one that is needed first last
    this.coming = new Set();
    this.missing = new Set();
  }

  /** The texture of a picture, or null while it is not here. */
  take(asset) {
    const texture = this.kept.get(asset);
    if (!texture) {
      this.want(asset);
      return null;
    }
    this.kept.delete(asset);
    this.kept.set(asset, texture);
    return texture;
  }

  /** Has pictures fetched that will be shown soon, the next one first. */
  prepare(assets) {
    for (const asset of [...assets].reverse()) this.note(asset);
    for (let i = 0; i < MOST_AT_ONCE; i++) this.fetchNext();
  }

  want(asset) {
    this.note(asset);
    this.fetchNext();
  }

  note(asset) {
    if (this.kept.has(asset) || this.coming.has(asset) || this.missing.has(asset)) return;
    this.wanted.delete(asset);
    this.wanted.add(asset);
  }

  async fetchNext() {
    if (this.coming.size >= MOST_AT_ONCE || !this.wanted.size) return;
    const asset = [...this.wanted].pop();
    this.wanted.delete(asset);
    this.coming.add(asset);
    try {
      const blob = await getBlob(this.store.path(`/pictures/${asset}`));
      this.keep(asset, await createImageBitmap(blob, { imageOrientation: 'flipY', premultiplyAlpha: 'none' }));
    } catch {
      this.miss(asset);
    }
    this.coming.delete(asset);
    this.store.announce('pictures', { asset });
    this.fetchNext();
  }

  /** A picture that did not come is asked for again later. */
  miss(asset) {
    this.missing.add(asset);
    setTimeout(() => {
      this.missing.delete(asset);
      this.store.announce('pictures', { asset });
    }, AGAIN_AFTER_MS);
  }

  keep(asset, bitmap) {
    const texture = new THREE.Texture(bitmap);
    texture.flipY = false; // it was turned when it was read
    texture.colorSpace = THREE.SRGBColorSpace;
    texture.anisotropy = 4;
    texture.needsUpdate = true;
    this.kept.set(asset, texture);
    this.pixels += bitmap.width * bitmap.height;
    for (const [old, other] of this.kept) {
      if (this.pixels <= ROOM_PX || old === asset) break;
      this.pixels -= other.image.width * other.image.height;
      this.kept.delete(old);
      other.dispose();
      other.image.close();
    }
  }
}

/** @type {WeakMap<object, PictureShelf>} */
const shelves = new WeakMap();

/** One for all views of a shot. */
export function shelfOf(store) {
  if (!shelves.has(store)) shelves.set(store, new PictureShelf(store));
  return shelves.get(store);
}
