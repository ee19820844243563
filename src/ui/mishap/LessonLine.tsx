import { GraduationCap } from "lucide-react";
import type { LessonView } from "@/contracts";
import { causeText, lessonText } from "@/messages";

/** The choice about to be made again. */
interface AboutToDo {
  readonly productId?: string | null;
  readonly belowId?: string | null;
  readonly material?: string | null;
  readonly tape?: boolean;
  /** over whatever it is laid */
  readonly anyBelow?: boolean;
}

/** What was learnt of this very choice; the newest of each kind. */
export function lessonsFor(lessons: readonly LessonView[], about: AboutToDo): readonly LessonView[] {
  const fits = (l: LessonView): boolean => {
    switch (l.on) {
      case "product":
        return l.productId !== null && l.productId === about.productId;
      case "pair":
        return (
          l.productId !== null && l.productId === about.productId && (about.anyBelow || l.belowId === about.belowId)
        );
      case "material":
        return l.material !== null && l.material === about.material;
      case "tape":
        return about.tape === true;
      case "shed":
        return l.productId !== null && l.productId === about.productId;
    }
  };
  const seen = new Set<string>();
  return lessons.filter((l) => {
    if (!fits(l) || seen.has(l.shift)) return false;
    seen.add(l.shift);
    return true;
  });
}

/** Once, in one line, where the same choice is made again. */
export function LessonLine({ lessons, about }: { lessons: readonly LessonView[]; about: AboutToDo }) {
  const own = lessonsFor(lessons, about);
  if (own.length === 0) return null;
  return (
    <p className="mt-2 flex items-start gap-2 border-l-4 border-accent pl-2 text-base" data-testid="lesson">
      <GraduationCap className="mt-0.5 size-5 shrink-0" aria-hidden />
      <span>
        <span className="font-bold">Learnt: </span>
        {own.map((l, n) => (
          <span key={l.reportId}>
            {n > 0 && "; "}
            {lessonText(l.shift)}{" "}
            <a className="link soft text-sm" href={`/bench?wrong=${l.regionId}&report=${l.reportId}`}>
              {l.where}: {causeText(l.cause).toLowerCase()}
            </a>
          </span>
        ))}
      </span>
    </p>
  );
}
