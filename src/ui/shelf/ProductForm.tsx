"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import { type FieldPath, FormProvider, useForm } from "react-hook-form";
import { toast } from "sonner";
import { addProductAction, deleteProductAction, restoreProductAction, saveProductAction } from "@/actions/shelf";
import type { ShelfItem } from "@/contracts";
import { fieldFaults, type Problem, productSchema } from "@/contracts";
import type { Method } from "@/core/model";
import { FIELD_GROUPS, type FieldGroup, type ProductPath } from "@/messages";
import { PhotoField } from "../components/PhotoField";
import { offerUndo, useAct } from "../hooks/useAct";
import { BLANK_DRAFT, draftOf, type ProductDraft, productFrom } from "./draft";
import { FieldGroupCells } from "./ProductFields";

type Path = FieldPath<ProductDraft>;
/** What a way of putting it on has no answer to. */
const GUN = ["nozzleMm", "pressureBar"] as const satisfies readonly ProductPath[];
const BY_HAND = ["propellant", ...GUN, "distanceCm"] as const satisfies readonly ProductPath[];
const NOT_ASKED: Readonly<Record<Method, readonly ProductPath[]>> = {
  aerosol: GUN,
  airbrush: ["propellant"],
  "spray-gun": ["propellant"],
  brush: BY_HAND,
  wipe: BY_HAND,
  dip: BY_HAND,
  spread: BY_HAND,
};
const GROUPS = Object.keys(FIELD_GROUPS) as FieldGroup[];

export function ProductForm({ item, onSaved }: { item: ShelfItem | null; onSaved: (id: string) => void }) {
  const router = useRouter();
  const { act, busy } = useAct();
  const [conflicted, setConflicted] = useState(false);
  const form = useForm<ProductDraft>({ defaultValues: item ? draftOf(item.product) : BLANK_DRAFT });
  const mark = (problem: Problem) => {
    for (const f of problem.fields) form.setError(f.path as Path, { message: f.message });
    if (problem.code === "conflict") {
      setConflicted(true);
      router.refresh();
    }
  };
  const submit = form.handleSubmit(async (draft) => {
    const id = item?.product.id ?? "new";
    const parsed = productSchema.safeParse(productFrom(draft, id, item?.product ?? null));
    if (!parsed.success) return mark({ code: "invalid", detail: "", fields: fieldFaults(parsed.error) });
    const saved = item
      ? await act(() => saveProductAction(item.rev, parsed.data))
      : await act(() => addProductAction(parsed.data));
    if (!saved.ok) return mark(saved.problem);
    setConflicted(false);
    toast.success(`${draft.name} saved`);
    onSaved("id" in saved.value ? saved.value.id : id);
  });
  const remove = async () => {
    const gone = await act(() => deleteProductAction(item!.product.id));
    if (gone.ok)
      offerUndo(
        `${item!.product.name} taken off the shelf`,
        () => void act(() => restoreProductAction(item!.product.id)),
      );
  };
  const hidden = new Set<ProductPath>(NOT_ASKED[form.watch("method") as Method] ?? []);
  const count = Object.keys(form.formState.errors).length;
  return (
    <FormProvider {...form}>
      <form
        onSubmit={(e) => {
          form.clearErrors();
          void submit(e);
        }}
        className="grid gap-3"
        noValidate
        aria-label={item ? `Product ${item.product.name}` : "New product"}
      >
        {GROUPS.map((group) => (
          <FieldGroupCells key={group} group={group} hidden={hidden} />
        ))}
        <PhotoField
          label={`the label of ${form.watch("name") || "the product"}`}
          hash={form.watch("photo")}
          save={(hash) => form.setValue("photo", hash)}
        />
        {count > 0 && (
          <p role="alert" className="font-semibold text-error">
            Not saved yet: see the marked fields. What you typed is kept.
          </p>
        )}
        {conflicted && (
          <p role="alert" className="font-semibold text-error">
            Changed in another tab meanwhile. Save again to put yours over it, or close to take theirs.
          </p>
        )}
        <div className="sticky bottom-0 flex gap-2 border-t border-base-300 bg-base-100 py-3">
          <button type="submit" className="btn btn-primary" disabled={busy}>
            Save
          </button>
          <span className="flex-1" />
          {item && (
            <button type="button" className="btn btn-ghost" onClick={() => void remove()}>
              Take off the shelf
            </button>
          )}
        </div>
      </form>
    </FormProvider>
  );
}
