import { type Carrier, type FamilyId, HAZARDS, type Hazard, type Propellant, type Role } from "../model";
import { casIsSound, SUBSTANCES, type Substance, substanceByCas } from "../reference";
import type { Told } from "./finds";
import type { Clause } from "./words";

/** What it is made of: solvents by name and number with their shares, and what else tells a family or a hazard. */

export interface NamedCarrier {
  readonly class: Carrier;
  readonly name: string;
  readonly cas?: string;
  /** largest share told, percent by weight */
  readonly sharePct?: number;
  readonly quote: string;
}

const escaped = (name: string): string => name.replace(/[.*+?^${}()|[\]\\]/g, "\\$&");
/** Names shorter than this are words of other things as well, and count only beside others or a number. */
const SURE_LETTERS = 5;
const BY_NAME = new Map(SUBSTANCES.flatMap((s) => s.names.map((n) => [n, s] as const)));
const NAMES = new RegExp(
  `(?<![\\p{L}\\p{N}-])(${[...BY_NAME.keys()]
    .sort((a, b) => b.length - a.length)
    .map(escaped)
    .join("|")})(?![\\p{L}\\p{N}]|-\\p{L})`,
  "gu",
);
const CAS = /(?<![\d-])(\d{2,7}-\d{2}-\d)(?![\d-])/g;

/** A clause that speaks of other things than what is in the can: what cleans it, thins it, or must be kept from it. */
const OTHERS =
  /\b(?:clean(?:ed|ing|s|up)?|thin(?:ned|ner|ners|ning)?|dilut\w*|wash(?:ed|ing)?|rinse|wipe|remov\w*|degreas\w*|resist\w*|avoid|extinguish\w*|fire-?fighting|in case of|combustion|react\w*|incompatible|dry chemical|spray jet|over|sewer|drain)\b/;
const NONE_OF =
  /\b(?:free (?:of|from)|no|not|without|non|does not contain|contains? no|never)\s*(?:any\s+)?(?:\w+[\s,]+(?:or |and )?){0,2}$/;
const FREE = /^[\s-]*free\b/;

const SHARE =
  /(?:[<>=~]|up to)?\s*(\d{1,3}(?:[.,]\d+)?)\s*%?\s*(?:-|to|and)?\s*(?:[<>=]|up to)*\s*(\d{1,3}(?:[.,]\d+)?)?\s*%/g;
const BARE_SHARE = /(?:>|=|<)?\s*(\d{1,3}(?:[.,]\d+)?)\s*-\s*<?\s*=?\s*(\d{1,3}(?:[.,]\d+)?)(?![\d-])/;
/** The largest share a line tells; a range without a sign counts in a table of contents only. */
function shareIn(text: string): number | undefined {
  const noNumbers = text
    .replace(CAS, " ")
    .replace(/\b\d{3}-\d{3}-\d\b/g, " ")
    .replace(/\b(?:h|euh|p)\d{3}[a-z]?\b/g, " ");
  const signed = [...noNumbers.matchAll(SHARE)].flatMap((m) => [m[1], m[2]]).filter((x) => x !== undefined);
  const bare = signed.length > 0 ? signed : (BARE_SHARE.exec(noNumbers)?.slice(1, 3) ?? []);
  const figures = bare.map((x) => Number(x!.replace(",", "."))).filter((x) => x > 0 && x <= 100);
  return figures.length > 0 ? Math.max(...figures) : undefined;
}

interface Named {
  readonly substance: Substance;
  readonly name: string;
  readonly at: number;
}
function namedIn(text: string): { named: readonly Named[]; unsound: readonly string[] } {
  const named: Named[] = [];
  const unsound: string[] = [];
  for (const m of text.matchAll(CAS)) {
    const substance = substanceByCas(m[1]!);
    if (substance) named.push({ substance, name: substance.names[0]!, at: m.index });
    else if (!casIsSound(m[1]!)) unsound.push(m[1]!);
  }
  const numbered = named.length > 0;
  const words = [...text.matchAll(NAMES)];
  for (const m of words) {
    const substance = BY_NAME.get(m[1]!)!;
    if (NONE_OF.test(text.slice(0, m.index)) || FREE.test(text.slice(m.index + m[0].length))) continue;
    if (m[1]!.length < SURE_LETTERS && !numbered && words.length < 2 && !/contain/.test(text)) continue;
    if (!named.some((n) => n.substance === substance)) named.push({ substance, name: m[1]!, at: m.index });
  }
  return { named, unsound };
}

/** Said of the paint itself, in so many words. */
const WATER_BASED = /\bwater[- ]?(?:based|borne)\b/;
const WATER_CAS = "7732-18-5";

/** Mixtures of hydrocarbons that go by their length: with less than two percent of aromatics they are spirit. */
const HYDROCARBONS = /hydrocarbons,?\s*c\d+(?:\s*-\s*c?\d+)?[^;\n]{0,80}/g;
const FEW_AROMATICS = /(?:<\s*2\s*%|less than 2\s*%|without|low)\s*aromatics?|dearomati[sz]ed/;

export interface Contents {
  readonly carriers: readonly NamedCarrier[];
  readonly hazards: readonly Hazard[];
  readonly propellant?: Propellant;
  readonly families: ReadonlySet<FamilyId>;
  readonly lead: boolean;
  readonly told: readonly Told[];
}

const H_CODES: readonly (readonly [RegExp, Hazard])[] = [
  [/\bh22[0-9]\b|\b(?:extremely |highly )?flammable\b/, "flammable"],
  [/\bh336\b|\bh33[5]\b|vapou?rs? may cause|harmful (?:vapou?rs?|if inhaled)|drowsiness/, "solvent-vapour"],
  [/\beuh204\b|contains? (?:\w+ ){0,2}(?:poly|di)?-?isocyanates?\b/, "isocyanate"],
  [/\bh334\b|\bh317\b|\beuh205\b|\beuh208\b|allergic (?:skin )?reaction|sensiti[sz]/, "sensitiser"],
  [/\bh24[0-2]\b|organic peroxide/, "peroxide"],
];
const NOT_FLAMMABLE = /\b(?:non|not)[- ]?flammable\b/;
const NO_ISOCYANATE = /isocyanate[- ]free|(?:free (?:of|from)|no|without|not contain(?:ing)?(?: any)?) isocyanates?/;

/** Reads what the whole text names. @param clauses of the same text */
export function contentsOf(clauses: readonly Clause[], quoteOf: (c: Clause) => string): Contents {
  const carriers = new Map<string, NamedCarrier>();
  const hazards = new Set<Hazard>();
  const families = new Set<FamilyId>();
  const told: Told[] = [];
  let propellant: Propellant | undefined;
  let lead = false;
  for (const c of clauses) {
    // said of this clause alone: a hardener further down may hold what its base is free of
    const noIsocyanate = NO_ISOCYANATE.test(c.plain);
    for (const [pattern, hazard] of H_CODES)
      if (
        pattern.test(c.plain) &&
        !(hazard === "flammable" && NOT_FLAMMABLE.test(c.plain)) &&
        !(hazard === "isocyanate" && noIsocyanate)
      )
        hazards.add(hazard);
    const { named, unsound } = namedIn(c.plain);
    for (const cas of unsound) told.push({ figure: "substance", why: "bad-cas", quote: cas });
    if (
      WATER_BASED.test(c.plain) &&
      !OTHERS.test(c.plain) &&
      !NONE_OF.test(c.plain.slice(0, c.plain.search(WATER_BASED)))
    )
      keep(carriers, substanceByCas(WATER_CAS)!, "water", undefined, quoteOf(c));
    const isList =
      /\d{2,7}-\d{2}-\d/.test(c.plain) || /\bcontains?\b|\bingredients?\b|\bcomposition\b|solvents?:/.test(c.plain);
    if (OTHERS.test(c.plain) && !isList) continue;
    for (const { substance, name } of named) {
      if (substance.hazard && !(substance.hazard === "isocyanate" && noIsocyanate)) hazards.add(substance.hazard);
      if (substance.family) families.add(substance.family);
      if (substance.lead) lead = true;
      if (substance.propellant) propellant = propellant === "dimethyl-ether" ? propellant : substance.propellant;
      if (substance.carrier)
        keep(carriers, substance, name, named.length === 1 ? shareIn(c.plain) : shareAfter(c.plain, name), quoteOf(c));
    }
    for (const m of c.plain.matchAll(HYDROCARBONS)) {
      const isAromatic = /aromatics?/.test(m[0]) && !FEW_AROMATICS.test(m[0]);
      const share = shareIn(c.plain.replace(/<\s*2\s*%/g, " "));
      const key = isAromatic ? "hydrocarbons, aromatic" : "hydrocarbons";
      carriers.set(key, {
        class: isAromatic ? "aromatic" : "aliphatic",
        name: key,
        ...(share === undefined ? {} : { sharePct: share }),
        quote: quoteOf(c),
      });
    }
  }
  return {
    carriers: [...carriers.values()],
    hazards: HAZARDS.filter((h) => hazards.has(h)),
    ...(propellant ? { propellant } : {}),
    families,
    lead,
    told,
  };
}

/** In a sentence that names several, a share belongs to the name right before it. */
function shareAfter(text: string, name: string): number | undefined {
  const at = text.indexOf(name);
  const rest = at < 0 ? "" : text.slice(at + name.length, at + name.length + 40);
  const m =
    /^[\s,(:]*(?:\d{2,7}-\d{2}-\d[\s,):]*)?(?:<|>|=|up to|about|\s)*((?:\d{1,3}(?:[.,]\d+)?\s*%?\s*-\s*)?<?\s*\d{1,3}(?:[.,]\d+)?\s*%)/.exec(
      rest,
    );
  return m ? shareIn(m[1]!) : undefined;
}

function keep(
  into: Map<string, NamedCarrier>,
  s: Substance,
  name: string,
  share: number | undefined,
  quote: string,
): void {
  const was = into.get(s.cas);
  const pct = Math.max(was?.sharePct ?? 0, share ?? 0);
  into.set(s.cas, {
    class: s.carrier!,
    name: was?.name ?? name,
    cas: s.cas,
    ...(pct > 0 ? { sharePct: pct } : {}),
    quote: was?.sharePct === undefined ? quote : was.quote,
  });
}

const FAMILY_SAYS: readonly (readonly [FamilyId, RegExp])[] = [
  ["polyester-2k", /\bpolyester (?:filler|putty|stopper|resin|surfacer)|unsaturated polyester/],
  ["uv-acrylate", /\buv[- ](?:cur\w+|resin)|light[- ]cur\w+|photopolymer/],
  ["epoxy-putty", /epoxy (?:putty|stick|clay|dough)|kneadable epoxy/],
  ["epoxy-2k", /\bepox(?:y|ide)\b/],
  ["pvb-etch", /\b(?:self-)?etch(?:ing)? primer|wash primer|acid primer|polyvinyl butyral/],
  ["nc-lacquer", /nitro-?cellulose|cellulose (?:lacquer|primer|paint|sealer|dope)/],
  ["shellac", /\bshellac\b/],
  ["cyanoacrylate", /cyanoacrylate/],
  ["urethane-mc", /moisture[- ]cur\w+ (?:polyurethane|urethane)/],
  [
    "urethane-2k",
    /(?:two|2)[- ]?(?:component|part|pack|k)\b[^.\n]{0,40}(?:poly)?urethane|(?:poly)?urethane[^.\n]{0,40}(?:two|2)[- ]?(?:component|part|pack|k)\b|acrylic urethane with (?:a )?hardener/,
  ],
  [
    "wb-acrylic-urethane",
    /water[- ]?(?:based|borne)[^.\n]{0,30}(?:acrylic[ -]?)?(?:poly)?urethane|(?:poly)?urethane[^.\n]{0,30}water[- ]?(?:based|borne)|polyurethane dispersion/,
  ],
  [
    "wb-acrylic",
    /water[- ]?(?:based|borne)[^.\n]{0,30}acrylic|acrylic[^.\n]{0,30}water[- ]?(?:based|borne)|acrylic (?:emulsion|dispersion)/,
  ],
  ["alkyd", /\balkyds?\b|oil[- ]based (?:paint|enamel|primer)|synthetic (?:resin )?enamel|long oil/],
  ["acrylic-lacquer", /acrylic lacquer|lacquer[^.\n]{0,20}acrylic|thermoplastic acrylic|solvent[- ]based acrylic/],
  ["cpo-promoter", /chlorinated polyolefin|adhesion promoter/],
  ["lacquer-putty", /(?:cellulose|lacquer|glazing|spot) (?:putty|stopper)/],
];
/** The binder, where the text says it in so many words, or only one thing it names has one. "Acrylic" alone proves nothing. */
export function familyOf(plainText: string, named: ReadonlySet<FamilyId>): FamilyId | undefined {
  const said = FAMILY_SAYS.filter(([, p]) => p.test(plainText)).map(([f]) => f);
  if (named.size === 1) return [...named][0];
  // the first is the more particular
  return said[0];
}

const ROLE_SAYS: readonly (readonly [Role, RegExp])[] = [
  ["thinner", /^[^.\n:]{0,40}\b(?:thinners?|reducer)\b/],
  ["stripper", /paint (?:stripper|remover)/],
  ["degreaser", /degreaser|panel wipe|silicone remover|wax and grease remover/],
  ["primer-etch", /etch(?:ing)? primer|wash primer|acid primer|self-etch/],
  ["promoter", /adhesion promoter|plastic primer/],
  ["primer-highbuild", /(?:high[- ]build|filler|sandable|build|filling) primer|primer[- ]filler|primer[- /]surfacer/],
  [
    "putty",
    /\b(?:putty|stopper|body filler|filler paste|spackling|wood filler|knifing filler|polyester filler|fine filler|filler)\b/,
  ],
  ["surfacer", /\bsurfacer\b/],
  ["primer", /\b(?:primer|undercoat|gesso)\b/],
  ["clear", /\b(?:clear ?coat|clear lacquer|varnish|clear)\b/],
  ["sealer", /\bsealer\b|sanding seal/],
  ["wash", /\b(?:enamel|acrylic|panel line|dark|pin) wash\b/],
  ["colour", /\b(?:spray paint|paint|enamel|colou?r|lacquer|top ?coat)\b/],
];
/** A label says first what it is. */
const TITLE_CHARS = 160;
export function roleOf(plainText: string): Role | undefined {
  const title = plainText.slice(0, TITLE_CHARS);
  return (ROLE_SAYS.find(([, p]) => p.test(title)) ?? ROLE_SAYS.slice(0, -1).find(([, p]) => p.test(plainText)))?.[0];
}
