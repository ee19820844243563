import * as server from "@/server";
import { answer } from "../../http";

type Samples = Extract<server.FilmAnswer, { form: "case" }>["answer"]["samples"];

const samplesJson = (samples: Samples, lastMin: number) =>
  samples.map((s) => ({
    minutes_after_last_coat: s.atMin - lastMin,
    mean_phi_top_coat: s.meanPhiTop,
    phi_max: s.largestPhi,
    volatile_left_um: s.leftUm,
    volatile_released_um: s.releasedUm,
  }));

type Run = Extract<server.FilmAnswer, { form: "case" }>["answer"]["run"];
const runJson = (run: Run) => ({
  dft_um: run.dftUm,
  mass: {
    applied_um: run.mass.appliedUm,
    released_um: run.mass.releasedUm,
    left_um: run.mass.leftUm,
    sanded_um: run.mass.sandedUm,
  },
  stats: run.stats,
});

function filmJson(f: server.FilmAnswer) {
  if (f.form === "case") {
    const { answer: a } = f;
    return {
      ...(f.id === null ? {} : { id: f.id }),
      t_phi_max_below: a.reachedMin,
      outcome: a.outcome,
      ...(a.reason === null ? {} : { reason: a.reason }),
      ...(a.reachedMin === null ? { horizon_min: a.horizonMin } : {}),
      samples: samplesJson(a.samples, a.lastMin),
      ...runJson(a.run),
    };
  }
  const { answer: a } = f;
  return {
    last_coat_min: a.lastMin,
    milestones: a.milestones.map((m) => ({
      milestone: m.milestone,
      min: m.min,
      outcome: m.min !== null ? "reached" : m.why === "too-damp" ? "never-in-this-air" : "not-within-horizon",
      assumed: m.assumed,
    })),
    faults: a.faults.map((x) => ({
      fault: x.kind,
      min: x.atMin - a.lastMin,
      by: x.by,
      right_at_min: x.rightAtMin === null ? null : x.rightAtMin - a.lastMin,
    })),
    samples: samplesJson(a.samples, a.lastMin),
    films: a.films.map(({ product, fit }) => ({
      product: product.id,
      k: fit.substance.kUmMin,
      D0: fit.substance.d0Um2Min,
      beta: fit.substance.beta,
      Ed: fit.substance.diffusionJ,
      dH: fit.substance.evaporationJ,
      kappa: fit.substance.kappa,
      phiFormed: fit.substance.phiFormed,
      phi0: fit.phi0,
      sand_phi: fit.sandPhi,
      notes: fit.notes,
    })),
    ...runJson(a.run),
  };
}

export const POST = (request: Request): Promise<Response> => answer(request, server.filmOf, filmJson);
