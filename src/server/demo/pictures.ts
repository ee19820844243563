import { createHash } from "node:crypto";
import { deflateSync } from "node:zlib";

/** Pictures of the demo's looks, drawn here dot by dot: nothing real was ever before a camera. */

const W = 480;
const H = 320;
type Rgb = readonly [number, number, number];

/** PNG, 8 bit RGB. Source: PNG specification (ISO/IEC 15948), one IDAT, filter 0. */
function png(pixel: (x: number, y: number) => Rgb): Buffer {
  const raw = Buffer.alloc((W * 3 + 1) * H);
  for (let y = 0; y < H; y++)
    for (let x = 0; x < W; x++) {
      const [r, g, b] = pixel(x, y);
      raw.set([r, g, b], y * (W * 3 + 1) + 1 + x * 3);
    }
  const header = Buffer.alloc(13);
  header.writeUInt32BE(W, 0);
  header.writeUInt32BE(H, 4);
  header.set([8, 2, 0, 0, 0], 8);
  const chunks = [chunk("IHDR", header), chunk("IDAT", deflateSync(raw)), chunk("IEND", Buffer.alloc(0))];
  return Buffer.concat([Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]), ...chunks]);
}

function chunk(kind: string, data: Buffer): Buffer {
  const body = Buffer.concat([Buffer.from(kind, "latin1"), data]);
  const out = Buffer.alloc(body.length + 8);
  out.writeUInt32BE(data.length, 0);
  body.copy(out, 4);
  out.writeUInt32BE(crc(body), body.length + 4);
  return out;
}

/** CRC-32 as PNG asks for it. */
function crc(bytes: Buffer): number {
  let c = 0xffffffff;
  for (const b of bytes) {
    c ^= b;
    for (let k = 0; k < 8; k++) c = c & 1 ? (c >>> 1) ^ 0xedb88320 : c >>> 1;
  }
  return (c ^ 0xffffffff) >>> 0;
}

const grey = (v: number, [r, g, b]: Rgb = [1, 1, 1]): Rgb => [
  Math.max(0, Math.min(255, v * r)),
  Math.max(0, Math.min(255, v * g)),
  Math.max(0, Math.min(255, v * b)),
];
/** The same speckle for the same dot, −1…1. */
const speckle = (x: number, y: number): number => (((x * 73 + y * 151 + ((x * y) % 89) * 17) % 23) - 11) / 11;
const near = (x: number, y: number, cx: number, cy: number, r: number): number =>
  Math.max(0, 1 - Math.hypot(x - cx, y - cy) / r);

/** A deckhouse side in primer: windows, a run, a pit, a low. */
const house = png((x, y) => {
  const paper = y > 270 || x < 24 || x > 456;
  if (paper) return grey(232 + 4 * speckle(x, y), [1, 0.98, 0.93]);
  const window = y > 90 && y < 170 && [90, 220, 350].some((wx) => x > wx && x < wx + 62);
  if (window) return grey(74 + 3 * speckle(x, y));
  const run = x > 166 + 4 * Math.sin(y / 17) && x < 176 + 4 * Math.sin(y / 17) && y > 60 && y < 240 ? 22 : 0;
  const pit = -80 * near(x, y, 330, 214, 7) - 60 * near(x, y, 320, 226, 5);
  const low = -26 * near(x, y, 68, 222, 34);
  return grey(176 + (270 - y) / 12 + run + pit + low + 3 * speckle(x, y), [1, 0.98, 0.95]);
});

/** Sea-wall stones in their first seal: courses, an open joint, a bare patch. */
const wall = png((x, y) => {
  const row = Math.floor(y / 54);
  const along = (x + (row % 2) * 60) % 120;
  const joint = y % 54 < 5 || along < 5;
  const open = Math.abs(y - 160) < 9 && x > 210 && x < 330 ? -34 : 0;
  const bare = 34 * near(x, y, 120, 84, 40);
  const stone = joint ? 118 : 168 + 8 * Math.sin(row * 5 + Math.floor((x + (row % 2) * 60) / 120) * 3);
  return grey(stone + open + bare + 6 * speckle(x, y), [0.97, 1, 0.96]);
});

const kept = (bytes: Buffer) => ({ hash: createHash("sha256").update(bytes).digest("hex"), bytes });
export const HOUSE_PICTURE = kept(house);
export const WALL_PICTURE = kept(wall);
