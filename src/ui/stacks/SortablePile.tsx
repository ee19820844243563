"use client";

import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import {
  arrayMove,
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import { GripVertical } from "lucide-react";
import { type ReactNode, useId } from "react";

export { arrayMove };

/** A drag begins only after a few pixels, so that a press on the grip is still a press. */
const DRAG_FROM_PX = 4;

/** Layers that can be dragged into another order, by pointer, touch, or the keyboard on the grip. */
export function SortablePile({
  ids,
  moved,
  children,
}: {
  ids: readonly string[];
  /** places in the list as shown */
  moved: (from: number, to: number) => void;
  children: ReactNode;
}) {
  const id = useId();
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: DRAG_FROM_PX } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const end = ({ active, over }: DragEndEvent) => {
    if (!over || active.id === over.id) return;
    moved(ids.indexOf(String(active.id)), ids.indexOf(String(over.id)));
  };
  return (
    <DndContext id={id} sensors={sensors} collisionDetection={closestCenter} onDragEnd={end}>
      <SortableContext items={[...ids]} strategy={verticalListSortingStrategy}>
        {children}
      </SortableContext>
    </DndContext>
  );
}

export type Grip = (label: string) => ReactNode;

/** One layer of the list; what it is dragged by is drawn where its card wants it. */
export function SortableLayer({ id, children }: { id: string; children: (grip: Grip) => ReactNode }) {
  const { setNodeRef, attributes, listeners, setActivatorNodeRef, transform, transition, isDragging } = useSortable({
    id,
  });
  const grip: Grip = (label) => (
    <button
      type="button"
      ref={setActivatorNodeRef}
      className="btn btn-ghost btn-xs btn-square cursor-grab touch-none"
      aria-label={label}
      title={label}
      {...attributes}
      {...listeners}
    >
      <GripVertical className="size-4" aria-hidden />
    </button>
  );
  return (
    <div
      ref={setNodeRef}
      className={`grid gap-2 ${isDragging ? "relative z-10 opacity-80" : ""}`}
      style={{ transform: CSS.Translate.toString(transform), transition }}
    >
      {children(grip)}
    </div>
  );
}
