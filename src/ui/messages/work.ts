import type { Sign } from "@/contracts";
import type { GateReason } from "@/core/film";
import type { Notice, Operation, PlanAnswer, Verified } from "@/core/plan";
import { missingText, REASON } from "./verdicts";
import { BEFORE_NAME, PREP_NAME } from "./vocabulary";

type Work = Pick<Operation, "kind" | "step" | "coat" | "of" | "abrasive">;

function paper({ abrasive }: Work): string {
  if (!abrasive) return "";
  return abrasive.from === abrasive.to ? ` P${abrasive.from}` : ` P${abrasive.from}–P${abrasive.to}`;
}

/** What is done, without the part's name: "Etch primer, coat 1 of 2", "Wet-sand P400". */
export function workText(op: Work, product: string | null): string {
  switch (op.kind) {
    case "prep":
      return `${PREP_NAME[op.step as keyof typeof PREP_NAME]}${op.abrasive ? `,${op.abrasive.wet ? " wet only," : ""}` : ""}${paper(op)}`;
    case "before":
      return BEFORE_NAME[op.step as keyof typeof BEFORE_NAME];
    case "sand":
      return `${op.abrasive?.wet ? "Wet-sand" : "Sand"}${paper(op)}`;
    case "coat":
      return op.of > 1 ? `${product ?? "Coat"}, coat ${op.coat} of ${op.of}` : (product ?? "Coat");
  }
}

export const logTitle = (op: Operation, names: { part: string; region: string; product: string | null }): string =>
  `${names.part}: ${workText(op, names.product)}`;

export const GATE_TEXT: Readonly<Record<GateReason, string>> = {
  "too-cold": "it is colder than its label allows",
  "too-hot": "it is warmer than its label allows",
  "too-damp": "it is damper than its label allows",
  "near-dew-point": "the air is less than 3 °C above its dew point",
  blush: "the air is so damp that lacquer clouds as it dries",
  "too-cold-to-form": "it is too cold for the paint to become a film",
};

/** What the film model said of a finished plan. */
export function verifiedText(v: Verified): string {
  if (v.waits === 0) return "No film has to be waited for.";
  const base = `${v.waits} waits run through the film model in the plan’s own hours and air`;
  const back = v.putBack === 0 ? "" : `, ${v.putBack} of them put back`;
  if (v.early === 0) return `${base}${back}: none is too short.`;
  return `${base}${back}; ${v.early} still ${v.early === 1 ? "is" : "are"} up to ${Math.ceil(v.earlyMin)} min short: look before you start ${v.early === 1 ? "it" : "them"}.`;
}

export const SIGN_NAME: Readonly<Record<Sign, string>> = {
  tacky: "Tacky",
  "paper-clogs": "Paper clogs",
  "still-wet": "Still wet",
  dents: "Takes a dent",
  smells: "Smells of solvent",
  other: "Something else",
};

type Conflicted = Extract<PlanAnswer, { outcome: "conflict" }>;

/** What is in the way, and what would free it. */
export function conflictText(
  a: Conflicted,
  what: string,
  after: string | null,
): { title: string; way: string; free: string } {
  switch (a.conflict.kind) {
    case "no-session-long-enough":
      return {
        title: `“${what}” fits no bench session`,
        way: `It needs ${a.conflict.neededMin} minutes of hands-on work; your longest session has ${a.conflict.longestMin}.`,
        free: "Lengthen a session in Settings, or split the part into smaller regions.",
      };
    case "no-session-left":
      return {
        title: `No bench session is left for “${what}”`,
        way: "The weekly pattern has no session, or its exceptions take them all, in the next 60 days.",
        free: "Add a session in Settings.",
      };
    case "gate-shut":
      return {
        title: `The air never suits “${what}” during a session`,
        way: a.gateReason
          ? `At the sessions to come ${GATE_TEXT[a.gateReason]}.`
          : "At every session the air is outside what the product allows.",
        free: "Warm or dry the room, change the air under Settings, or choose another product.",
      };
    case "wait-beyond-horizon":
      return {
        title: `“${what}” would wait longer than 60 days`,
        way: `${after ? `After “${after}” the` : "The"} film does not get there in this air, or its window never opens.`,
        free: "Warmer or drier air, thinner or fewer coats.",
      };
    case "window":
      return {
        title: `The window for “${what}” shuts before a session comes`,
        way: `${after ? `It opens after “${after}” and` : "It"} closes again between two bench sessions.`,
        free: "Add a session inside the window; or, if the film below is down already, add a scuff before this coat under Stacks (a further coat of the same layer: end that layer and put it on again over a scuff); or take the last coat back in the Logbook and lay it afresh.",
      };
  }
}

export function noticeText(n: Notice): string {
  switch (n.kind) {
    case "left-out":
      return `Not planned: ${missingText(n.missing)} is missing.`;
    case "no-stack":
      return "Not planned: it has no stack yet.";
    case "verdict":
      return REASON[n.code] ?? n.code;
    case "area-assumed":
      return "Area not given: hands-on minutes assume 100 cm².";
    case "waits-assumed":
      return "Some label times are missing: the family’s usual ratios stand in.";
  }
}
