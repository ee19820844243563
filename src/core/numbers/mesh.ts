/**
 * Area, volume and bounding box of a triangle mesh in an STL file, ASCII or binary, read piece by piece so that a file of any
 * size needs no more memory than one piece of it.
 *
 * Area: Σ ½|e₁×e₂|. Volume: Σ (a·(b×c))/6 about the first vertex (divergence theorem), of a closed mesh only. A mesh counts as
 * closed when its area vectors cancel to 1e-3 of its area: necessary, not sufficient, and said so. Double precision; the
 * file's own single precision bounds what can be told (about 1e-6 of the size).
 */

export type MeshFault =
  | "empty"
  | "not-a-mesh"
  | "cut-off"
  | "longer-than-told"
  | "no-triangles"
  | "bad-number"
  | "bad-facet";

export type MeshAnswer =
  | {
      readonly outcome: "measured";
      readonly format: "ascii" | "binary";
      readonly triangles: number;
      /** in the file's own units, squared */
      readonly area: number;
      /** in the file's own units, cubed; null = the mesh is open */
      readonly volume: number | null;
      readonly min: readonly [number, number, number];
      readonly max: readonly [number, number, number];
    }
  | {
      readonly outcome: "refused";
      readonly fault: MeshFault;
      /** the triangle it was found at, from 1; 0 = before the first */
      readonly at: number;
    };

const HEAD_BYTES = 84;
const COUNT_AT = 80;
const RECORD_BYTES = 50;
const FLOATS_AT = 12;
const FLOATS = 9;
const CLOSED_TO = 1e-3;
/** A word of an ASCII file longer than this is none. */
const MAX_WORD = 64;

class Refused extends Error {
  constructor(readonly fault: MeshFault) {
    super(fault);
  }
}

/** Sums up triangles one after another. */
class Sums {
  triangles = 0;
  private area = 0;
  private six = 0;
  private readonly vector = [0, 0, 0];
  private readonly origin = [0, 0, 0];
  private readonly min: [number, number, number] = [Infinity, Infinity, Infinity];
  private readonly max: [number, number, number] = [-Infinity, -Infinity, -Infinity];

  /** @param v nine coordinates, three corners */
  add(v: ArrayLike<number>): void {
    this.triangles += 1;
    for (let i = 0; i < FLOATS; i++) {
      const x = v[i]!;
      if (!Number.isFinite(x)) throw new Refused("bad-number");
      const k = i % 3;
      if (x < this.min[k]!) this.min[k] = x;
      if (x > this.max[k]!) this.max[k] = x;
    }
    if (this.triangles === 1) for (let k = 0; k < 3; k++) this.origin[k] = v[k]!;
    const [ox, oy, oz] = this.origin as [number, number, number];
    const [ax, ay, az] = [v[0]! - ox, v[1]! - oy, v[2]! - oz];
    const [bx, by, bz] = [v[3]! - ox, v[4]! - oy, v[5]! - oz];
    const [cx, cy, cz] = [v[6]! - ox, v[7]! - oy, v[8]! - oz];
    const nx = (by - ay) * (cz - az) - (bz - az) * (cy - ay);
    const ny = (bz - az) * (cx - ax) - (bx - ax) * (cz - az);
    const nz = (bx - ax) * (cy - ay) - (by - ay) * (cx - ax);
    this.area += Math.sqrt(nx * nx + ny * ny + nz * nz) / 2;
    this.vector[0]! += nx / 2;
    this.vector[1]! += ny / 2;
    this.vector[2]! += nz / 2;
    this.six += ax * (by * cz - bz * cy) + ay * (bz * cx - bx * cz) + az * (bx * cy - by * cx);
  }

  answer(format: "ascii" | "binary"): MeshAnswer {
    if (this.triangles === 0 || !(this.area > 0)) return { outcome: "refused", fault: "no-triangles", at: 0 };
    const closed = Math.hypot(...this.vector) < CLOSED_TO * this.area;
    return {
      outcome: "measured",
      format,
      triangles: this.triangles,
      area: this.area,
      volume: closed ? Math.abs(this.six) / 6 : null,
      min: this.min,
      max: this.max,
    };
  }
}

interface Reader {
  push(bytes: Uint8Array): void;
  end(): void;
}

/** 80 bytes of anything, a count, and so many records of 50 bytes. */
class BinaryReader implements Reader {
  private readonly carry = new Uint8Array(RECORD_BYTES);
  private held = 0;
  private readonly corners = new Float64Array(FLOATS);

  constructor(
    private readonly sums: Sums,
    private readonly told: number,
  ) {}

  push(bytes: Uint8Array): void {
    let at = 0;
    if (this.held > 0) {
      at = Math.min(RECORD_BYTES - this.held, bytes.length);
      this.carry.set(bytes.subarray(0, at), this.held);
      this.held += at;
      if (this.held < RECORD_BYTES) return;
      this.record(new DataView(this.carry.buffer), 0);
      this.held = 0;
    }
    const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
    for (; at + RECORD_BYTES <= bytes.length; at += RECORD_BYTES) this.record(view, at);
    this.carry.set(bytes.subarray(at));
    this.held = bytes.length - at;
  }

  private record(view: DataView, at: number): void {
    if (this.sums.triangles === this.told) throw new Refused("longer-than-told");
    for (let i = 0; i < FLOATS; i++) this.corners[i] = view.getFloat32(at + FLOATS_AT + 4 * i, true);
    this.sums.add(this.corners);
  }

  end(): void {
    if (this.held > 0 || this.sums.triangles < this.told) throw new Refused("cut-off");
  }
}

/** Words with white space between; corners are the three numbers after "vertex". */
class AsciiReader implements Reader {
  private word = "";
  private readonly corners = new Float64Array(FLOATS);
  private filled = 0;
  private wanted = 0;
  private ended = false;

  constructor(private readonly sums: Sums) {}

  push(bytes: Uint8Array): void {
    let from = -1;
    for (let i = 0; i < bytes.length; i++) {
      const white = bytes[i]! <= 32;
      if (!white && from < 0) from = i;
      if (white && (from >= 0 || this.word !== "")) {
        this.take(this.word + (from < 0 ? "" : textOf(bytes, from, i)));
        this.word = "";
        from = -1;
      }
    }
    if (from >= 0) this.word += textOf(bytes, from, bytes.length);
    if (this.word.length > MAX_WORD) this.word = this.word.slice(0, MAX_WORD);
  }

  private take(word: string): void {
    if (this.wanted > 0) {
      const x = Number(word);
      if (Number.isNaN(x)) throw new Refused("bad-number");
      if (this.filled === FLOATS) throw new Refused("bad-facet");
      this.corners[this.filled++] = x;
      this.wanted -= 1;
      return;
    }
    // most words are these two, and few are long: asked in that order
    if (word === "vertex") this.wanted = 3;
    else if (word === "endfacet") {
      if (this.filled !== FLOATS) throw new Refused("bad-facet");
      this.sums.add(this.corners);
      this.filled = 0;
    } else if (word === "endsolid") this.ended = true;
  }

  end(): void {
    if (this.word !== "") this.take(this.word);
    if (this.wanted > 0 || this.filled > 0 || !this.ended) throw new Refused("cut-off");
  }
}

function textOf(bytes: Uint8Array, from: number, to: number): string {
  let text = "";
  for (let i = from; i < Math.min(to, from + MAX_WORD); i++) text += String.fromCharCode(bytes[i]!);
  return text;
}

/** Reads a mesh in pieces: push them in order, then ask. The first fault ends it; what is pushed after is not looked at. */
export class MeshMeter {
  private readonly sums = new Sums();
  private head = new Uint8Array(0);
  private reader: Reader | null = null;
  private format: "ascii" | "binary" = "binary";
  private fault: MeshFault | null = null;

  /** @param totalBytes size of the whole file, which tells the two formats apart */
  constructor(private readonly totalBytes: number) {}

  push(bytes: Uint8Array): void {
    if (this.fault) return;
    this.guarded(() => {
      if (this.reader) return this.reader.push(bytes);
      const joined = new Uint8Array(this.head.length + bytes.length);
      joined.set(this.head);
      joined.set(bytes, this.head.length);
      this.head = joined;
      if (this.head.length >= HEAD_BYTES) this.begin();
    });
  }

  /** A binary file may begin with the word "solid" too; its length gives it away. */
  private begin(): void {
    const { head } = this;
    const told = head.length < HEAD_BYTES ? -1 : new DataView(head.buffer).getUint32(COUNT_AT, true);
    const solid = /^\s*solid/.test(textOf(head, 0, 32));
    const fits = HEAD_BYTES + RECORD_BYTES * told === this.totalBytes;
    if (solid && !fits) {
      this.format = "ascii";
      this.reader = new AsciiReader(this.sums);
      this.reader.push(head);
    } else {
      if (told < 0 || !plausible(told, this.totalBytes)) throw new Refused("not-a-mesh");
      this.reader = new BinaryReader(this.sums, told);
      this.reader.push(head.subarray(HEAD_BYTES));
    }
    this.head = new Uint8Array(0);
  }

  private guarded(work: () => void): void {
    try {
      work();
    } catch (error) {
      if (!(error instanceof Refused)) throw error;
      this.fault = error.fault;
    }
  }

  end(): MeshAnswer {
    if (this.totalBytes === 0) return { outcome: "refused", fault: "empty", at: 0 };
    if (!this.reader) this.guarded(() => this.begin());
    if (!this.fault) this.guarded(() => this.reader?.end());
    return this.fault
      ? { outcome: "refused", fault: this.fault, at: this.sums.triangles }
      : this.sums.answer(this.format);
  }
}

/** A count far from what the length can hold is no count: the file is something else. */
const plausible = (told: number, bytes: number): boolean => {
  const room = (bytes - HEAD_BYTES) / RECORD_BYTES;
  return told > 0 ? told <= 20 * room + 20 : room < 1;
};
