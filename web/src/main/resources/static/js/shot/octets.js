// Bundles of octets: a JSON head with columns of 32-bit numbers behind it (docs/formats.md).

const MAGIC = 0x314f4c49;

/** The head of a bundle; each column {at, n} in it is replaced by a typed array over the octets. */
export function unpack(buffer) {
  const view = new DataView(buffer);
  if (buffer.byteLength < 8 || view.getUint32(0, true) !== MAGIC)
    throw new Error('The server sent something else than a bundle');
  const length = view.getUint32(4, true);
  const head = JSON.parse(new TextDecoder().decode(new Uint8Array(buffer, 8, length)));
  const start = 8 + length;
  const floats = ({ at, n }) => new Float32Array(buffer, start + at * 4, n);
  for (const node of head.nodes ?? []) resolve(node, floats);
  if (head.eye) resolve(head.eye, floats);
  for (const mesh of head.meshes ?? []) {
    const { at, n } = mesh.indices;
    mesh.indices = new Uint32Array(buffer, start + at * 4, n);
    resolve(mesh, floats);
  }
  return head;
}

function resolve(object, floats) {
  for (const [name, value] of Object.entries(object)) {
    if (value === null || typeof value !== 'object' || Array.isArray(value) || ArrayBuffer.isView(value)) continue;
    if (typeof value.at === 'number' && typeof value.n === 'number') object[name] = floats(value);
    else resolve(value, floats);
  }
}
