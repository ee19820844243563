import { z } from "zod";
import { EDGE_KINDS, TOUCH_KINDS } from "@/core/model";
import { idSchema, nameSchema, ranged, whole } from "./base";

const MOST_FIELDS = 24;
const MOST_COATS = 20;

const fieldSchema = z.strictObject({
  name: nameSchema.max(60, "must be at most 60 characters"),
  share: ranged(0.0001, 1, "of the face"),
  productId: idSchema.nullable(),
  coats: ranged(1, MOST_COATS, "coats").refine(Number.isInteger, { error: "must be a whole number" }).nullable(),
});
const edgeSchema = z.strictObject({
  between: z.tuple([z.string(), z.string()]),
  kind: z.enum(EDGE_KINDS),
  cm: ranged(0.1, 10_000, "cm").nullable(),
});

/** A face's scheme: each field its own name, together no more than the face, edges only between fields there are. */
export const schemeSchema = z
  .strictObject({
    fields: z.array(fieldSchema).max(MOST_FIELDS, `a face has at most ${MOST_FIELDS} fields`),
    edges: z.array(edgeSchema).max(MOST_FIELDS * MOST_FIELDS),
    order: z.array(idSchema).max(MOST_FIELDS).nullable(),
  })
  .superRefine(({ fields, edges, order }, ctx) => {
    const names = new Set<string>();
    fields.forEach((f, n) => {
      if (names.has(f.name))
        ctx.addIssue({ code: "custom", path: ["fields", n, "name"], message: "is the name of another field" });
      names.add(f.name);
    });
    const sum = fields.reduce((total, f) => total + f.share, 0);
    if (sum > 1 + 1e-6)
      ctx.addIssue({
        code: "custom",
        path: ["fields", fields.length - 1, "share"],
        message: `makes the fields more than the face: ${Math.round(100 * sum)} %`,
      });
    edges.forEach(({ between: [a, b] }, n) => {
      const gone = [a, b].find((name) => !names.has(name));
      if (gone !== undefined)
        ctx.addIssue({
          code: "custom",
          path: ["edges", n, "between"],
          message: `names a field that is not there: ${gone}`,
        });
      else if (a === b)
        ctx.addIssue({ code: "custom", path: ["edges", n, "between"], message: "is an edge of a field with itself" });
    });
    const colours = new Set(fields.flatMap((f) => f.productId ?? []));
    order?.forEach((id, n) => {
      if (!colours.has(id))
        ctx.addIssue({ code: "custom", path: ["order", n], message: "is no colour of this scheme" });
    });
  });

const MOST_TOUCHES = 24;
/** Markings and dirt of a face, each with a name of its own. */
export const touchesSchema = z
  .array(
    z.strictObject({
      name: nameSchema.max(60, "must be at most 60 characters"),
      kind: z.enum(TOUCH_KINDS),
      productId: idSchema,
      share: ranged(0.0001, 1, "of the face"),
      count: whole(1, 200, "pieces"),
    }),
  )
  .max(MOST_TOUCHES, `a face has at most ${MOST_TOUCHES} markings and traces`)
  .superRefine((touches, ctx) => {
    touches.forEach(({ name }, n) => {
      if (touches.slice(0, n).some((t) => t.name === name))
        ctx.addIssue({
          code: "custom",
          path: [n, "name"],
          message: "is the name of another marking or trace of this face",
        });
    });
  });
