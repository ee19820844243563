/** Meshes made up for tests, and their files. */

export type Triangle = readonly [number, number, number, number, number, number, number, number, number];

type Point = readonly [number, number, number];
const tri = (a: Point, b: Point, c: Point): Triangle => [...a, ...b, ...c];

/** A box from the origin, twelve triangles, normals outwards. */
export function boxMesh(x: number, y: number, z: number): readonly Triangle[] {
  const p = (i: number): Point => [i & 1 ? x : 0, i & 2 ? y : 0, i & 4 ? z : 0];
  const quads = [
    [0, 2, 3, 1],
    [4, 5, 7, 6],
    [0, 1, 5, 4],
    [2, 6, 7, 3],
    [0, 4, 6, 2],
    [1, 3, 7, 5],
  ] as const;
  return quads.flatMap(([a, b, c, d]) => [tri(p(a), p(b), p(c)), tri(p(a), p(c), p(d))]);
}

/** A ball of n rings and 2n segments. */
export function ballMesh(radius: number, n: number, [cx, cy, cz]: Point): readonly Triangle[] {
  const at = (i: number, j: number): Point => {
    const [t, f] = [(Math.PI * i) / n, (Math.PI * (j % (2 * n))) / n];
    const s = i === 0 || i === n ? 0 : Math.sin(t);
    return [cx + radius * s * Math.cos(f), cy + radius * s * Math.sin(f), cz + radius * Math.cos(t)];
  };
  const list: Triangle[] = [];
  for (let i = 0; i < n; i++)
    for (let j = 0; j < 2 * n; j++) {
      if (i > 0) list.push(tri(at(i, j), at(i + 1, j), at(i, j + 1)));
      if (i < n - 1) list.push(tri(at(i, j + 1), at(i + 1, j), at(i + 1, j + 1)));
    }
  return list;
}

export function binaryStl(mesh: readonly Triangle[]): Uint8Array {
  const bytes = new Uint8Array(84 + 50 * mesh.length);
  const view = new DataView(bytes.buffer);
  view.setUint32(80, mesh.length, true);
  mesh.forEach((t, n) => {
    t.forEach((x, i) => {
      view.setFloat32(84 + 50 * n + 12 + 4 * i, x, true);
    });
  });
  return bytes;
}

export const asciiStl = (mesh: readonly Triangle[]): Uint8Array =>
  new TextEncoder().encode(
    [
      "solid made-up",
      ...mesh.flatMap((t) => [
        "facet normal 0 0 0",
        "outer loop",
        ...[0, 3, 6].map((i) => `vertex ${t[i]} ${t[i + 1]} ${t[i + 2]}`),
        "endloop",
        "endfacet",
      ]),
      "endsolid made-up",
      "",
    ].join("\n"),
  );
