import { unitShown } from "@/format";

interface FigureProps {
  readonly id: string;
  readonly label: string;
  /** of storage: it is shown, and typed, in the reader's */
  readonly unit: string;
  readonly hint?: string;
  readonly value: string;
  readonly fault: string | null;
  readonly onChange: (text: string) => void;
}

export function Figure({ id, label, unit, hint, value, fault, onChange }: FigureProps) {
  return (
    <div className="text-base">
      <label htmlFor={id}>{label}</label>
      <div className={`input w-full ${fault ? "input-error" : ""}`}>
        <input
          id={id}
          inputMode="decimal"
          className="min-w-0"
          placeholder={hint}
          value={value}
          aria-invalid={fault !== null}
          onChange={(e) => onChange(e.target.value)}
        />
        {unit && <span className="soft text-sm">{unitShown(unit)}</span>}
      </div>
      {fault && (
        <p role="alert" className="font-semibold text-error">
          {fault}
        </p>
      )}
    </div>
  );
}
