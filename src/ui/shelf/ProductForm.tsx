"use client";

import { useRouter } from "next/navigation";
import { Fragment, useState } from "react";
import { type FieldPath, FormProvider, useForm } from "react-hook-form";
import { toast } from "sonner";
import { addProductAction, deleteProductAction, restoreProductAction, saveProductAction } from "@/actions/shelf";
import type { ShelfItem } from "@/contracts";
import { fieldFaults, type Problem, productSchema } from "@/contracts";
import { type Claim, type Confirmable, isOneOf, JARS, type JarId, type Method, type Product } from "@/core/model";
import { dangersOf, jarRow } from "@/core/reference";
import { FIELD_GROUPS, type FieldGroup, JAR_NAME, type ProductPath } from "@/messages";
import { PhotoField } from "../components/PhotoField";
import { offerUndo, useAct } from "../hooks/useAct";
import { Confirm } from "./Confirm";
import { blankDraft, draftOf, jarDraft, type ProductDraft, productFrom } from "./draft";
import { FieldGroupCells } from "./ProductFields";
import { ReadLabel } from "./ReadLabel";
import { newest, withClaims } from "./take-over";

type Path = FieldPath<ProductDraft>;
const firstDraft = (item: ShelfItem | null, jar: JarId | null): ProductDraft =>
  item ? draftOf(item.product) : jar ? jarDraft(jar) : blankDraft();

/** What a way of putting it on has no answer to. */
const GUN = ["nozzleMm", "pressureBar"] as const satisfies readonly ProductPath[];
const OF_TAPE = ["tack", "widthMm"] as const satisfies readonly ProductPath[];
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

interface FormProps {
  readonly item: ShelfItem | null;
  /** kind of jar a new card begins with; null = a blank one */
  readonly jar: JarId | null;
  readonly onSaved: (id: string) => void;
}

export function ProductForm({ item, jar, onSaved }: FormProps) {
  const router = useRouter();
  const { act, busy } = useAct();
  const [conflicted, setConflicted] = useState(false);
  const [claims, setClaims] = useState<readonly Claim[]>([]);
  const form = useForm<ProductDraft>({ defaultValues: firstDraft(item, jar) });
  const mark = (problem: Problem) => {
    problem.fields.forEach((f, i) => {
      form.setError(f.path as Path, { message: f.message }, { shouldFocus: i === 0 });
    });
    if (problem.code === "conflict") {
      setConflicted(true);
      router.refresh();
    }
  };
  const submit = form.handleSubmit(async (draft) => {
    const id = item?.product.id ?? "new";
    const parsed = productSchema.safeParse(
      withClaims(productFrom(draft, id, item?.product ?? null) as Product, claims),
    );
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
  const hidden = new Set<ProductPath>([
    "confirmed",
    ...(NOT_ASKED[form.watch("method") as Method] ?? []),
    ...(form.watch("role") === "masking" ? [] : OF_TAPE),
  ]);
  const kind = form.watch("jar");
  const kindOf = isOneOf(JARS)(kind) ? kind : null;
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
        {kindOf && (
          <p className="text-sm">
            Filled in as <strong>{JAR_NAME[kindOf]}</strong> usually is: “typical of its kind”, until you read its
            label.
          </p>
        )}
        <ReadLabel claimed={(fresh) => setClaims((was) => newest(was, fresh))} />
        {GROUPS.map((group) => (
          <Fragment key={group}>
            {group === "carrier" && kindOf && (
              <Confirm
                jar={kindOf}
                ask={dangersOf(jarRow(kindOf).facts)}
                confirmed={form.watch("confirmed") as Confirmable[]}
                set={(c) => form.setValue("confirmed", [...c], { shouldDirty: true })}
              />
            )}
            <FieldGroupCells group={group} hidden={hidden} isNew={item === null} />
          </Fragment>
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
