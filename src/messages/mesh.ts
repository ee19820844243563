import type { MeshAnswer } from "@/core/numbers";

type Refused = Extract<MeshAnswer, { outcome: "refused" }>;

const FAULT: Readonly<Record<Refused["fault"], string>> = {
  empty: "The file is empty.",
  "not-a-mesh": "This is no STL file: neither the ASCII nor the binary kind.",
  "cut-off":
    "The file is cut off: its last triangle, or its end, is missing. Save it again from the program it came from.",
  "longer-than-told":
    "The file holds more triangles than it says it does. Save it again from the program it came from.",
  "no-triangles": "The file holds no triangle with an area.",
  "bad-number": "A coordinate is no number.",
  "bad-facet": "A facet has not three corners.",
};

export const meshFaultText = ({ fault, at }: Refused): string =>
  at > 0 ? `${FAULT[fault]} Found after triangle ${at}.` : FAULT[fault];
