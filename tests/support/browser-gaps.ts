import { TextDecoder, TextEncoder } from "node:util";

/** What every browser has and the one that is imitated in tests lacks. */
Object.assign(globalThis, {
  TextDecoder: globalThis.TextDecoder ?? TextDecoder,
  TextEncoder: globalThis.TextEncoder ?? TextEncoder,
});
