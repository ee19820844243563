import type { Carrier, FamilyId, Hazard, Propellant } from "../model";

/**
 * What a label or safety data sheet may name: solvents by the class they bite as, propellants, binders, hardeners and acids that
 * tell a family or a hazard. CAS registry numbers as published; a test proves their check digits. Names are lower case, as read.
 */
export interface Substance {
  readonly cas: string;
  /** first = as it is called back; the rest are other names, abbreviations included */
  readonly names: readonly string[];
  readonly carrier?: Carrier;
  readonly propellant?: Propellant;
  readonly hazard?: Hazard;
  readonly family?: FamilyId;
  readonly lead?: true;
}

type Row = readonly [cas: string, ...names: string[]];
const asCarrier = (carrier: Carrier, rows: readonly Row[]): readonly Substance[] =>
  rows.map(([cas, ...names]) => ({ cas, names, carrier }));
const withHazard = (hazard: Hazard, rows: readonly Row[]): readonly Substance[] =>
  rows.map(([cas, ...names]) => ({ cas, names, hazard }));
const asBinder = (family: FamilyId, rows: readonly Row[]): readonly Substance[] =>
  rows.map(([cas, ...names]) => ({ cas, names, family }));
const asPropellant = (propellant: Propellant, rows: readonly Row[]): readonly Substance[] =>
  rows.map(([cas, ...names]) => ({ cas, names, propellant }));

export const SUBSTANCES: readonly Substance[] = [
  ...asCarrier("water", [["7732-18-5", "water", "aqua"]]),
  ...asCarrier("alcohol", [
    ["64-17-5", "ethanol", "ethyl alcohol", "denatured alcohol", "methylated spirit"],
    ["67-63-0", "isopropanol", "propan-2-ol", "2-propanol", "isopropyl alcohol", "ipa"],
    ["67-56-1", "methanol", "methyl alcohol"],
    ["71-23-8", "propan-1-ol", "n-propanol", "1-propanol"],
    ["71-36-3", "butan-1-ol", "n-butanol", "1-butanol", "n-butyl alcohol", "butanol"],
    ["78-83-1", "isobutanol", "2-methylpropan-1-ol", "isobutyl alcohol"],
    ["78-92-2", "butan-2-ol", "sec-butanol", "2-butanol"],
    ["75-65-0", "tert-butanol", "2-methylpropan-2-ol", "tert-butyl alcohol"],
    ["71-41-0", "pentan-1-ol", "amyl alcohol", "n-pentanol"],
    ["123-51-3", "isoamyl alcohol", "3-methylbutan-1-ol"],
    ["100-51-6", "benzyl alcohol"],
    ["108-93-0", "cyclohexanol"],
    ["104-76-7", "2-ethylhexan-1-ol", "2-ethylhexanol"],
    ["108-11-2", "4-methylpentan-2-ol", "methyl isobutyl carbinol"],
  ]),
  // glycols and slow coalescing aids swell paint as mildly as the ethers do
  ...asCarrier("glycol-ether", [
    ["111-76-2", "2-butoxyethanol", "butyl glycol", "ethylene glycol monobutyl ether"],
    ["110-80-5", "2-ethoxyethanol", "ethyl glycol"],
    ["109-86-4", "2-methoxyethanol", "methyl glycol"],
    [
      "107-98-2",
      "1-methoxy-2-propanol",
      "1-methoxypropan-2-ol",
      "propylene glycol monomethyl ether",
      "pgme",
      "methoxypropanol",
    ],
    ["1589-47-5", "2-methoxypropan-1-ol", "2-methoxypropanol"],
    [
      "34590-94-8",
      "dipropylene glycol monomethyl ether",
      "(2-methoxymethylethoxy)propanol",
      "dipropylene glycol methyl ether",
      "dpgme",
      "dpm",
    ],
    ["112-34-5", "2-(2-butoxyethoxy)ethanol", "butyl diglycol", "diethylene glycol monobutyl ether"],
    ["111-90-0", "2-(2-ethoxyethoxy)ethanol", "ethyl diglycol", "diethylene glycol monoethyl ether"],
    ["111-77-3", "2-(2-methoxyethoxy)ethanol", "methyl diglycol"],
    ["5131-66-8", "3-butoxy-2-propanol", "1-butoxypropan-2-ol", "propylene glycol monobutyl ether", "pnb"],
    ["29911-28-2", "dipropylene glycol monobutyl ether", "dipropylene glycol n-butyl ether", "dpnb"],
    ["1569-02-4", "1-ethoxy-2-propanol", "1-ethoxypropan-2-ol", "ethoxypropanol"],
    ["1569-01-3", "1-propoxy-2-propanol", "propylene glycol propyl ether"],
    ["2807-30-9", "2-propoxyethanol", "propyl glycol"],
    ["112-25-4", "2-hexyloxyethanol", "hexyl glycol"],
    ["122-99-6", "2-phenoxyethanol", "phenoxyethanol"],
    ["25498-49-1", "tripropylene glycol monomethyl ether", "tripropylene glycol methyl ether"],
    ["56539-66-3", "3-methoxy-3-methylbutan-1-ol", "3-methoxy-3-methyl-1-butanol"],
    ["25265-77-4", "2,2,4-trimethyl-1,3-pentanediol monoisobutyrate", "trimethylpentanediol isobutyrate"],
    ["57-55-6", "propylene glycol", "propane-1,2-diol", "1,2-propanediol"],
    ["107-21-1", "ethylene glycol", "ethane-1,2-diol"],
    ["111-46-6", "diethylene glycol"],
    ["25265-71-8", "dipropylene glycol", "oxydipropanol"],
    ["107-41-5", "hexylene glycol", "2-methylpentane-2,4-diol"],
  ]),
  ...asCarrier("aliphatic", [
    [
      "8052-41-3",
      "white spirit",
      "stoddard solvent",
      "mineral spirits",
      "mineral spirit",
      "mineral turpentine",
      "turpentine substitute",
    ],
    ["64742-82-1", "naphtha (petroleum), hydrodesulfurized heavy", "hydrodesulfurized heavy naphtha"],
    ["64742-48-9", "naphtha (petroleum), hydrotreated heavy", "hydrotreated heavy naphtha"],
    ["64742-49-0", "naphtha (petroleum), hydrotreated light", "hydrotreated light naphtha"],
    [
      "64742-47-8",
      "distillates (petroleum), hydrotreated light",
      "hydrotreated light distillate",
      "odourless mineral spirits",
      "odorless mineral spirits",
    ],
    ["64742-88-7", "solvent naphtha (petroleum), medium aliphatic", "medium aliphatic solvent naphtha"],
    ["64742-89-8", "solvent naphtha (petroleum), light aliphatic", "light aliphatic naphtha"],
    ["8032-32-4", "ligroin", "vm&p naphtha", "petroleum spirit"],
    ["8030-30-6", "naphtha", "petroleum naphtha"],
    ["8008-20-6", "kerosene", "paraffin oil"],
    ["110-54-3", "n-hexane", "hexane"],
    ["142-82-5", "n-heptane", "heptane"],
    ["110-82-7", "cyclohexane"],
    ["108-87-2", "methylcyclohexane"],
    ["111-65-9", "n-octane", "octane"],
    ["111-84-2", "n-nonane", "nonane"],
    ["124-18-5", "n-decane", "decane"],
    ["1120-21-4", "n-undecane", "undecane"],
    ["540-84-1", "isooctane", "2,2,4-trimethylpentane"],
    ["107-83-5", "isohexane", "2-methylpentane"],
    ["109-66-0", "n-pentane", "pentane"],
    ["31807-55-3", "isododecane"],
  ]),
  // terpenes dissolve polystyrene as aromatics do
  ...asCarrier("aromatic", [
    ["1330-20-7", "xylene", "xylenes", "xylol", "mixed xylenes", "dimethylbenzene"],
    ["95-47-6", "o-xylene"],
    ["108-38-3", "m-xylene"],
    ["106-42-3", "p-xylene"],
    ["108-88-3", "toluene", "toluol", "methylbenzene"],
    ["100-41-4", "ethylbenzene"],
    ["71-43-2", "benzene"],
    ["98-82-8", "cumene", "isopropylbenzene"],
    ["108-67-8", "mesitylene", "1,3,5-trimethylbenzene"],
    ["95-63-6", "1,2,4-trimethylbenzene", "pseudocumene"],
    ["526-73-8", "1,2,3-trimethylbenzene"],
    ["103-65-1", "n-propylbenzene", "propylbenzene"],
    [
      "64742-95-6",
      "solvent naphtha (petroleum), light aromatic",
      "light aromatic solvent naphtha",
      "light aromatic naphtha",
    ],
    [
      "64742-94-5",
      "solvent naphtha (petroleum), heavy aromatic",
      "heavy aromatic solvent naphtha",
      "heavy aromatic naphtha",
    ],
    ["91-20-3", "naphthalene"],
    ["119-64-2", "tetralin"],
    ["25340-17-4", "diethylbenzene"],
    ["98-56-6", "4-chlorobenzotrifluoride", "parachlorobenzotrifluoride", "pcbtf"],
    ["8006-64-2", "turpentine", "oil of turpentine", "gum turpentine"],
    ["5989-27-5", "d-limonene", "(r)-p-mentha-1,8-diene", "limonene"],
    ["80-56-8", "alpha-pinene"],
  ]),
  ...asCarrier("ester", [
    ["123-86-4", "n-butyl acetate", "butyl acetate"],
    ["110-19-0", "isobutyl acetate"],
    ["105-46-4", "sec-butyl acetate"],
    ["540-88-5", "tert-butyl acetate", "t-butyl acetate"],
    ["141-78-6", "ethyl acetate"],
    ["79-20-9", "methyl acetate"],
    ["109-60-4", "n-propyl acetate", "propyl acetate"],
    ["108-21-4", "isopropyl acetate"],
    ["628-63-7", "amyl acetate", "pentyl acetate", "n-amyl acetate"],
    ["123-92-2", "isoamyl acetate", "isopentyl acetate"],
    [
      "108-65-6",
      "2-methoxy-1-methylethyl acetate",
      "1-methoxy-2-propyl acetate",
      "propylene glycol monomethyl ether acetate",
      "methoxypropyl acetate",
      "pgmea",
      "pma",
    ],
    ["112-07-2", "2-butoxyethyl acetate", "butyl glycol acetate"],
    ["111-15-9", "2-ethoxyethyl acetate", "ethyl glycol acetate"],
    ["110-49-6", "2-methoxyethyl acetate"],
    ["124-17-4", "2-(2-butoxyethoxy)ethyl acetate", "butyl diglycol acetate"],
    ["54839-24-6", "1-ethoxy-2-propyl acetate", "2-ethoxy-1-methylethyl acetate", "ethoxypropyl acetate"],
    ["88917-22-0", "dipropylene glycol methyl ether acetate"],
    ["763-69-9", "ethyl 3-ethoxypropionate"],
    ["590-01-2", "n-butyl propionate", "butyl propionate"],
    ["97-85-8", "isobutyl isobutyrate"],
    ["97-64-3", "ethyl lactate"],
    ["138-22-7", "butyl lactate"],
    ["616-38-6", "dimethyl carbonate"],
    ["108-32-7", "propylene carbonate"],
    ["96-48-0", "gamma-butyrolactone", "butyrolactone"],
    ["7397-62-8", "butyl glycolate"],
    ["1119-40-0", "dimethyl glutarate"],
    ["106-65-0", "dimethyl succinate"],
    ["627-93-0", "dimethyl adipate"],
    ["109-94-4", "ethyl formate"],
    ["107-31-3", "methyl formate"],
    ["622-45-7", "cyclohexyl acetate"],
    ["103-09-3", "2-ethylhexyl acetate"],
  ]),
  // chlorinated and strongly polar solvents melt what ketones melt, and more
  ...asCarrier("ketone", [
    ["67-64-1", "acetone", "propan-2-one", "propanone", "dimethyl ketone"],
    ["78-93-3", "butanone", "methyl ethyl ketone", "mek", "2-butanone"],
    ["108-10-1", "4-methylpentan-2-one", "methyl isobutyl ketone", "mibk"],
    ["108-94-1", "cyclohexanone"],
    ["120-92-3", "cyclopentanone"],
    ["108-83-8", "diisobutyl ketone", "2,6-dimethylheptan-4-one", "dibk"],
    ["110-43-0", "heptan-2-one", "methyl amyl ketone", "2-heptanone", "mak"],
    ["110-12-3", "5-methylhexan-2-one", "methyl isoamyl ketone", "miak"],
    ["107-87-9", "pentan-2-one", "methyl propyl ketone"],
    ["123-42-2", "diacetone alcohol", "4-hydroxy-4-methylpentan-2-one"],
    ["78-59-1", "isophorone"],
    ["141-79-7", "mesityl oxide"],
    ["123-54-6", "pentane-2,4-dione", "acetylacetone"],
    ["872-50-4", "n-methyl-2-pyrrolidone", "1-methyl-2-pyrrolidone", "nmp"],
    ["2687-91-4", "n-ethyl-2-pyrrolidone", "1-ethylpyrrolidin-2-one", "nep"],
    ["68-12-2", "n,n-dimethylformamide", "dimethylformamide", "dmf"],
    ["67-68-5", "dimethyl sulfoxide", "dmso"],
    ["75-09-2", "dichloromethane", "methylene chloride"],
    ["79-01-6", "trichloroethylene"],
    ["127-18-4", "tetrachloroethylene", "perchloroethylene"],
    ["107-06-2", "1,2-dichloroethane", "ethylene dichloride"],
    ["79-24-3", "nitroethane"],
    ["75-52-5", "nitromethane"],
  ]),
  { cas: "115-10-6", names: ["dimethyl ether", "dme"], carrier: "ether", propellant: "dimethyl-ether" },
  ...asCarrier("ether", [
    ["60-29-7", "diethyl ether"],
    ["109-99-9", "tetrahydrofuran", "thf"],
    ["646-06-0", "1,3-dioxolane", "dioxolane"],
    ["123-91-1", "1,4-dioxane", "dioxane"],
    ["109-87-5", "dimethoxymethane", "methylal"],
    ["1634-04-4", "tert-butyl methyl ether", "mtbe"],
    ["110-71-4", "1,2-dimethoxyethane"],
    ["142-96-1", "dibutyl ether"],
  ]),
  { cas: "100-42-5", names: ["styrene", "vinylbenzene"], carrier: "reactive-diluent", family: "polyester-2k" },
  ...asCarrier("reactive-diluent", [
    ["80-62-6", "methyl methacrylate", "mma"],
    ["25013-15-4", "vinyltoluene", "vinyl toluene"],
    ["98-83-9", "alpha-methylstyrene"],
    ["141-32-2", "n-butyl acrylate", "butyl acrylate"],
  ]),
  ...[
    ["868-77-9", "2-hydroxyethyl methacrylate", "hema"],
    ["5888-33-5", "isobornyl acrylate", "iboa"],
    ["13048-33-4", "1,6-hexanediol diacrylate", "hexamethylene diacrylate", "hdda"],
    ["42978-66-5", "tripropylene glycol diacrylate", "tpgda"],
    ["15625-89-5", "trimethylolpropane triacrylate", "tmpta"],
    ["5117-12-4", "4-acryloylmorpholine", "acryloyl morpholine", "acmo"],
    ["75980-60-8", "diphenyl(2,4,6-trimethylbenzoyl)phosphine oxide", "tpo"],
  ].map(
    ([cas, ...names]): Substance => ({
      cas: cas!,
      names,
      hazard: "sensitiser",
      family: "uv-acrylate",
      ...(cas === "75980-60-8" ? {} : { carrier: "reactive-diluent" as const }),
    }),
  ),
  ...asPropellant("liquefied-gas", [
    ["74-98-6", "propane"],
    ["106-97-8", "butane", "n-butane"],
    ["75-28-5", "isobutane"],
    ["68476-85-7", "petroleum gases, liquefied", "lpg", "liquefied petroleum gas"],
    ["75-37-6", "1,1-difluoroethane", "hfc-152a"],
    ["29118-24-9", "trans-1,3,3,3-tetrafluoroprop-1-ene", "hfo-1234ze"],
  ]),
  ...asPropellant("compressed-gas", [
    ["7727-37-9", "nitrogen"],
    ["124-38-9", "carbon dioxide"],
    ["10024-97-2", "nitrous oxide"],
  ]),
  ...withHazard("isocyanate", [
    ["822-06-0", "hexamethylene diisocyanate", "hexamethylene-1,6-diisocyanate", "hdi"],
    [
      "28182-81-2",
      "hexamethylene diisocyanate, oligomers",
      "hdi oligomers",
      "hdi homopolymer",
      "aliphatic polyisocyanate",
    ],
    ["3779-63-3", "hdi isocyanurate", "hdi trimer"],
    ["4098-71-9", "isophorone diisocyanate", "ipdi"],
    ["53880-05-0", "isophorone diisocyanate homopolymer", "ipdi oligomers"],
    ["584-84-9", "2,4-toluene diisocyanate", "toluene-2,4-diisocyanate"],
    ["91-08-7", "2,6-toluene diisocyanate"],
    ["26471-62-5", "toluene diisocyanate", "m-tolylidene diisocyanate", "tdi"],
    ["101-68-8", "4,4'-methylenediphenyl diisocyanate", "diphenylmethane diisocyanate", "mdi"],
    ["9016-87-9", "polymeric mdi", "diphenylmethanediisocyanate, isomers and homologues"],
    ["5124-30-1", "4,4'-methylenedicyclohexyl diisocyanate"],
  ]),
  ...withHazard("peroxide", [
    ["94-36-0", "dibenzoyl peroxide", "benzoyl peroxide"],
    ["1338-23-4", "methyl ethyl ketone peroxide", "butanone peroxide", "mekp"],
    ["80-15-9", "cumene hydroperoxide"],
    ["614-45-9", "tert-butyl perbenzoate"],
  ]),
  ...withHazard("acid", [
    ["7664-38-2", "phosphoric acid", "orthophosphoric acid"],
    ["7647-01-0", "hydrochloric acid", "hydrogen chloride"],
    ["144-62-7", "oxalic acid"],
    ["7664-39-3", "hydrofluoric acid", "hydrogen fluoride"],
    ["64-18-6", "formic acid"],
    ["7738-94-5", "chromic acid"],
  ]),
  ...withHazard("caustic", [
    ["1310-73-2", "sodium hydroxide", "caustic soda", "lye"],
    ["1310-58-3", "potassium hydroxide", "caustic potash"],
    ["6834-92-0", "sodium metasilicate", "disodium metasilicate"],
  ]),
  ...withHazard("sensitiser", [
    ["96-29-7", "butanone oxime", "2-butanone oxime", "methyl ethyl ketoxime", "meko"],
    ["136-52-7", "cobalt bis(2-ethylhexanoate)", "cobalt octoate"],
    ["112-24-3", "triethylenetetramine", "teta"],
    ["2855-13-2", "isophorone diamine", "isophoronediamine", "3-aminomethyl-3,5,5-trimethylcyclohexylamine"],
    ["68609-97-2", "oxirane, mono[(c12-14-alkyloxy)methyl] derivs.", "c12-14 alkyl glycidyl ether"],
    ["16096-31-4", "1,6-hexanediol diglycidyl ether", "1,6-bis(2,3-epoxypropoxy)hexane"],
    ["2634-33-5", "1,2-benzisothiazol-3(2h)-one", "bit"],
    ["2682-20-4", "2-methylisothiazol-3(2h)-one", "mit"],
  ]),
  ...[
    ["1675-54-3", "bisphenol a diglycidyl ether", "dgeba", "badge"],
    [
      "25068-38-6",
      "bisphenol-a-(epichlorhydrin) epoxy resin",
      "reaction product: bisphenol-a-(epichlorhydrin)",
      "epoxy resin",
    ],
    ["9003-36-5", "bisphenol f epoxy resin", "bisphenol-f-(epichlorhydrin)"],
  ].map(([cas, ...names]): Substance => ({ cas: cas!, names, hazard: "sensitiser", family: "epoxy-2k" })),
  ...[
    ["7085-85-0", "ethyl 2-cyanoacrylate", "ethyl cyanoacrylate"],
    ["137-05-3", "methyl 2-cyanoacrylate", "methyl cyanoacrylate"],
    ["6606-65-1", "butyl cyanoacrylate", "n-butyl cyanoacrylate"],
  ].map(([cas, ...names]): Substance => ({ cas: cas!, names, hazard: "sensitiser", family: "cyanoacrylate" })),
  ...asBinder("nc-lacquer", [["9004-70-0", "nitrocellulose", "cellulose nitrate", "collodion cotton"]]),
  ...asBinder("pvb-etch", [["63148-65-2", "polyvinyl butyral", "poly(vinyl butyral)"]]),
  ...asBinder("shellac", [["9000-59-3", "shellac"]]),
  { cas: "1344-37-2", names: ["lead sulfochromate yellow", "lead chromate"], lead: true },
  { cas: "1314-41-6", names: ["red lead", "orange lead", "lead tetroxide"], lead: true },
];

/** Last figure of a CAS registry number: the sum of its digits times their places from the right, modulo ten. Source: CAS. */
export function casIsSound(cas: string): boolean {
  const digits = cas.replace(/-/g, "");
  const sum = [...digits.slice(0, -1)].reverse().reduce((all, d, i) => all + Number(d) * (i + 1), 0);
  return sum % 10 === Number(digits.at(-1));
}

const BY_CAS = new Map(SUBSTANCES.map((s) => [s.cas, s]));
export const substanceByCas = (cas: string): Substance | null => BY_CAS.get(cas) ?? null;
