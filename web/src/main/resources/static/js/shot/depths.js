// How far off what a camera sees is, for every frame.
import { getOctets } from '../common/api.js';
import { OfCamera } from './of-camera.js';
import { unpack } from './octets.js';

export class Depths extends OfCamera {
  constructor(store, desk) {
    super(store, desk);
    this.pieces = []; // each {id, metres}
    this.more = 0;
  }

  get question() {
    return `/depths?camera=${encodeURIComponent(this.desk.camera)}`;
  }

  answer(path) {
    return getOctets(path);
  }

  take(octets) {
    const { nodes, more } = unpack(octets);
    this.pieces = nodes;
    this.more = more;
  }
}
