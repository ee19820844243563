"use client";

import { useRouter } from "next/navigation";
import { type ChangeEvent, type ReactNode, useState } from "react";
import { type FieldErrors, type FieldPath, FormProvider, useForm, useFormContext } from "react-hook-form";
import { toast } from "sonner";
import { addProductAction, deleteProductAction, restoreProductAction, saveProductAction } from "@/actions/shelf";
import type { ShelfItem } from "@/contracts";
import { fieldFaults, type Problem, productSchema } from "@/contracts";
import {
  BITE_NAME,
  CARRIER_NAME,
  EFFECT_NAME,
  FAMILY_NAME,
  HAZARD_NAME,
  MAY_GO_OVER_NAME,
  METHOD_NAME,
  PROPELLANT_NAME,
  RESISTANCE_NAME,
  ROLE_NAME,
  SHEEN_NAME,
  SOURCE_NAME,
} from "@/messages";
import { PhotoField } from "../components/PhotoField";
import { offerUndo, useAct } from "../hooks/useAct";
import { BLANK_DRAFT, draftOf, type ProductDraft, productFrom } from "./draft";

type Path = FieldPath<ProductDraft>;

function faultAt(errors: FieldErrors<ProductDraft>, path: string): string | null {
  let node: unknown = errors;
  for (const key of path.split(".")) node = (node as Record<string, unknown> | undefined)?.[key];
  const message =
    (node as { message?: unknown; root?: { message?: unknown } } | undefined)?.message ??
    (node as { root?: { message?: unknown } } | undefined)?.root?.message;
  return typeof message === "string" ? message : null;
}

function Field({ path, label, unit, wide = false }: { path: Path; label: string; unit?: string; wide?: boolean }) {
  const { register, formState } = useFormContext<ProductDraft>();
  const fault = faultAt(formState.errors, path);
  const id = `f-${path}`;
  return (
    <div className={wide ? "col-span-2" : ""}>
      <label htmlFor={id} className="text-sm">
        {label}
        {unit && <span className="soft"> ({unit})</span>}
      </label>
      <input
        id={id}
        aria-invalid={fault !== null}
        aria-describedby={fault ? `${id}-fault` : undefined}
        className={`input input-sm w-full ${fault ? "input-error" : ""}`}
        {...register(path)}
      />
      {fault && (
        <p id={`${id}-fault`} role="alert" className="text-sm font-semibold text-error">
          {fault}
        </p>
      )}
    </div>
  );
}

function Choice({
  path,
  label,
  options,
  empty,
}: {
  path: Path;
  label: string;
  options: Readonly<Record<string, string>>;
  empty?: string;
}) {
  const { register, formState } = useFormContext<ProductDraft>();
  const fault = faultAt(formState.errors, path);
  return (
    <label className="text-sm">
      {label}
      <select className={`select select-sm w-full ${fault ? "select-error" : ""}`} {...register(path)}>
        {empty !== undefined && <option value="">{empty}</option>}
        {Object.entries(options).map(([v, name]) => (
          <option key={v} value={v}>
            {name}
          </option>
        ))}
      </select>
      {fault && (
        <span role="alert" className="font-semibold text-error">
          {fault}
        </span>
      )}
    </label>
  );
}

function Ticks({
  path,
  label,
  options,
}: {
  path: "carriers" | "mayGoOver" | "hazards" | "resists" | "thinnerCarriers";
  label: string;
  options: Readonly<Record<string, string>>;
}) {
  const { register, setValue } = useFormContext<ProductDraft>();
  // who ticks a carrier knows one: "I do not know" need not be found and taken off as well
  const said = (e: ChangeEvent<HTMLInputElement>) => {
    if (path === "carriers" && e.target.checked) setValue("carriersUnknown", false, { shouldDirty: true });
  };
  return (
    <fieldset className="col-span-2">
      <legend className="text-sm">{label}</legend>
      <div className="flex flex-wrap gap-x-3 gap-y-1">
        {Object.entries(options).map(([v, name]) => (
          <label key={v} className="flex items-center gap-1.5 text-sm">
            <input type="checkbox" className="checkbox checkbox-xs" value={v} {...register(path, { onChange: said })} />
            {name}
          </label>
        ))}
      </div>
    </fieldset>
  );
}

function Flag({
  path,
  label,
}: {
  path:
    | "flexible"
    | "yellowing"
    | "uvResistant"
    | "combinedPrimer"
    | "rustInhibitor"
    | "carriersUnknown"
    | "activator"
    | "dearomatised"
    | "resistsTold"
    | "toBuy";
  label: string;
}) {
  const { register } = useFormContext<ProductDraft>();
  return (
    <label className="flex items-center gap-1.5 text-sm">
      <input type="checkbox" className="checkbox checkbox-xs" {...register(path)} />
      {label}
    </label>
  );
}

function Group({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="border-t border-base-300 pt-2">
      <h3 className="mb-1 font-bold">{title}</h3>
      <div className="grid grid-cols-2 gap-x-3 gap-y-2">{children}</div>
    </section>
  );
}

function WindowRow({ i, label }: { i: 0 | 1; label: string }) {
  const { register, formState } = useFormContext<ProductDraft>();
  const fault =
    ["", ".0", ".1"].map((end) => faultAt(formState.errors, `label.recoat.${i}${end}`)).find((f) => f !== null) ?? null;
  const cls = `input input-sm w-full ${fault ? "input-error" : ""}`;
  return (
    <fieldset className="col-span-2">
      <legend className="text-sm">
        {label} <span className="soft">(min after the coat; leave “shuts” empty if it never does)</span>
      </legend>
      <div className="grid grid-cols-2 gap-3">
        <input
          aria-label={`${label}: opens, min`}
          aria-invalid={fault !== null}
          placeholder="opens"
          className={cls}
          {...register(`label.recoat.${i}.0`)}
        />
        <input
          aria-label={`${label}: shuts, min`}
          aria-invalid={fault !== null}
          placeholder="shuts"
          className={cls}
          {...register(`label.recoat.${i}.1`)}
        />
      </div>
      {fault && (
        <p role="alert" className="text-sm font-semibold text-error">
          {fault}
        </p>
      )}
    </fieldset>
  );
}

const FILM_ROLE_NAME = Object.fromEntries(Object.entries(ROLE_NAME));
const OVER: Readonly<Record<string, string>> = Object.fromEntries(
  Object.entries(MAY_GO_OVER_NAME).filter(([k]) => k !== "unknown"),
);

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
  const aerosol = form.watch("method") === "aerosol";
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
        <div className="grid grid-cols-2 gap-x-3 gap-y-2">
          <Field path="name" label="Name" wide />
          <Field path="maker" label="Maker" />
          <Field path="aliases" label="Also goes by" unit="commas between" />
          <Choice path="role" label="Role" options={FILM_ROLE_NAME} />
          <Choice path="family" label="Family (binder)" options={FAMILY_NAME} />
          <Choice path="method" label="Applied by" options={METHOD_NAME} />
          {aerosol ? (
            <Choice path="propellant" label="Propellant" options={PROPELLANT_NAME} empty="– choose –" />
          ) : (
            <span />
          )}
        </div>
        <Group title="Carrier">
          <Ticks path="carriers" label="What flies off while it dries" options={CARRIER_NAME} />
          <Flag path="carriersUnknown" label="I do not know: judge as the strongest" />
          <Choice path="bite" label="Bite" options={BITE_NAME} empty="by its carriers" />
          <Flag path="dearomatised" label="De-aromatised (low odour)" />
          <Ticks path="thinnerCarriers" label="Thin it with (none ticked: its own carriers)" options={CARRIER_NAME} />
        </Group>
        <Group title="Label: what its times hold for">
          <Field path="label.tempC" label="Temperature" unit="°C" />
          <Field path="label.rhPct" label="Humidity" unit="% RH" />
          <Field path="label.wftUm" label="Wet film a coat" unit="µm" />
          <Field path="label.coats" label="Coats" />
        </Group>
        <Group title="Label: times in minutes">
          <Field path="label.flashMin" label="Flash" />
          <Field path="label.gapMin" label="Between its coats" />
          <Field path="label.touchMin" label="Touch dry" />
          <Field path="label.handleMin" label="Handle" />
          <WindowRow i={0} label="Recoat window" />
          <WindowRow i={1} label="Second window" />
          <Field path="label.sandableMin" label="Sandable" />
          <Field path="label.tapeSafeMin" label="Tape safe" />
          <Field path="label.polishableMin" label="Polishable" />
          <Field path="label.curedMin" label="Through cured" />
        </Group>
        <Group title="Film">
          <Field path="volumeSolids" label="Volume solids" unit="%" />
          <Field path="densityGMl" label="Density" unit="g/ml" />
          <label className="text-sm">
            Colour
            <input type="color" className="h-8 w-full" {...form.register("colour")} />
          </label>
          <Choice path="sheen" label="Sheen" options={SHEEN_NAME} />
          <Choice path="effect" label="Effect" options={EFFECT_NAME} />
          <Field path="maxSkinUm" label="Deepest skin" unit="µm dry" />
          <Field path="shrinkage" label="Shrinks by" unit="%" />
          <Field path="opaqueDftUm" label="Hides at" unit="µm dry" />
          <Field path="cureDepthUm" label="Light cures it to" unit="µm" />
          <Field path="dryDensityGMl" label="Density, dry" unit="g/ml" />
          <Field path="minFilmFormingC" label="Makes a film from" unit="°C" />
          <Field path="serviceTempC" label="In service up to" unit="°C" />
          <Field path="lightNm" label="Cured by light of" unit="nm" />
          <Field path="lightDpUm" label="Light falls off in" unit="µm" />
          <Ticks path="resists" label="The cured film stands" options={RESISTANCE_NAME} />
          <Flag path="resistsTold" label="Its card says nothing else is stood" />
          <Ticks path="mayGoOver" label="Label says it may go over (none ticked: it does not say)" options={OVER} />
          <div className="col-span-2 flex flex-wrap gap-x-4 gap-y-1">
            <Flag path="flexible" label="Flexible" />
            <Flag path="yellowing" label="Yellows" />
            <Flag path="uvResistant" label="UV resistant" />
            <Flag path="combinedPrimer" label="Paint and primer in one" />
            <Flag path="rustInhibitor" label="Rust inhibitor" />
            <Flag path="activator" label="Speeds instant glue" />
          </div>
        </Group>
        <Group title="Limits, hazards, stock">
          <Field path="limits.minTempC" label="Not below" unit="°C" />
          <Field path="limits.maxTempC" label="Not above" unit="°C" />
          <Field path="limits.maxRhPct" label="Not above" unit="% RH" />
          <Field path="potLifeMin" label="Pot life" unit="min" />
          <Field path="mixRatio" label="Mixed by volume" unit="such as 4:1" />
          <Field path="packMl" label="Pack" unit="ml" />
          <Field path="leftMl" label="Left" unit="ml" />
          <Field path="price" label="Price of a pack" />
          <Field path="openedOn" label="Opened" unit="such as 2026-03-14" />
          <Field path="useBy" label="Use by" unit="such as 2027-03-14" />
          <Choice path="source" label="These figures are from" options={SOURCE_NAME} />
          <Flag path="toBuy" label="Not on the shelf: to buy" />
          <Ticks path="hazards" label="Hazards" options={HAZARD_NAME} />
          <div className="col-span-2">
            <label htmlFor="f-note" className="text-sm">
              Note
            </label>
            <textarea id="f-note" className="textarea w-full" rows={2} {...form.register("note")} />
          </div>
        </Group>
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
