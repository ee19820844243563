import ical, { ICalEventTransparency } from "ical-generator";
import { done, failed, type Outcome } from "@/contracts";
import { MS_PER_MIN } from "@/core/base";
import { allProducts, modelHead, modelTree, readPlan } from "@/db";
import type { TitleOf } from "./bench";
import { notFound, reading } from "./guard";
import { getPlan, partNames } from "./plan";

/** The timetable as an iCalendar file (RFC 5545): one event for each piece of work still to do. */
export const planCalendar = (modelId: string, titleOf: TitleOf): Outcome<string> =>
  reading((db) => {
    const head = modelHead(db, modelId);
    if (!head) return notFound("The model");
    const plan = getPlan(modelId);
    if (!plan.ok) return plan;
    const answer = readPlan(db, modelId) ? plan.value?.answer : undefined;
    if (answer?.outcome !== "planned" || !plan.value)
      return failed("not-found", "There is no timetable yet. Plan the model first.");
    const names = partNames(modelTree(db, modelId));
    const products = allProducts(db);
    const calendar = ical({
      name: `${head.name}: bench`,
      prodId: { company: "Elm Bench", product: "plan", language: "EN" },
    });
    for (const op of answer.ops.filter((o) => o.state !== "done")) {
      const product = op.productId === null ? null : (products.get(op.productId)?.name ?? null);
      calendar.createEvent({
        id: `${op.id.replaceAll(":", ".")}@elm-bench`,
        stamp: new Date(plan.value.plannedMs),
        start: new Date(op.startMin * MS_PER_MIN),
        end: new Date(op.endMin * MS_PER_MIN),
        summary: titleOf(op, {
          part: names.get(op.regionId)?.part ?? "",
          region: names.get(op.regionId)?.region ?? "",
          product,
        }),
        transparency: ICalEventTransparency.OPAQUE,
      });
    }
    return done(`${calendar.toString()}\r\n`);
  });
