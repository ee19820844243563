/** A figure as it was typed: a comma is a point, nothing is null, and what is no number goes to the server as it is, to be told so. */
export const figure = (text: string): unknown => {
  const t = text.trim().replace(",", ".");
  return t === "" ? null : Number.isNaN(Number(t)) ? t : Number(t);
};

interface FigureProps {
  readonly id: string;
  readonly label: string;
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
        {unit && <span className="soft text-sm">{unit}</span>}
      </div>
      {fault && (
        <p role="alert" className="font-semibold text-error">
          {fault}
        </p>
      )}
    </div>
  );
}
