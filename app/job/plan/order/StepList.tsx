import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  PointerSensor,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import { SortableContext, useSortable, verticalListSortingStrategy } from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import { ArrowDown, ArrowUp, GripVertical } from "lucide-react";
import type { WorkStep } from "../../../../core/trade/order/index.ts";
import { Button } from "../../../ui/Button.tsx";

/** A finger that scrolls drags nothing. */
const DRAG_FROM_PX = 8;

function StepRow({
  step,
  index,
  isOff,
  onMove,
}: {
  step: WorkStep;
  index: number;
  isOff: boolean;
  onMove: (id: string, to: number) => void;
}) {
  const { id, name, why, minutes, waitMinutes, tools, people, caution } = step;
  const { setNodeRef, setActivatorNodeRef, listeners, transform, transition, isDragging } = useSortable({
    id,
    disabled: isOff,
  });
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={`flex items-start gap-3 border-rule border-b py-2 ${isDragging ? "relative z-10 border-2 border-ink bg-sheet" : ""}`}
    >
      {/* By hand alone: keys have the two arrows at the row's end. */}
      <span
        ref={setActivatorNodeRef}
        {...listeners}
        aria-hidden="true"
        data-drag={id}
        className={`flex min-h-12 w-8 touch-none items-center justify-center text-ink-2 ${isOff ? "invisible" : "cursor-grab"}`}
      >
        <GripVertical />
      </span>
      <span className="figure w-8 pt-1 text-right text-xl">{index + 1}</span>
      <span className="flex-1">
        <span className="block font-bold">{name}</span>
        <span className="block">{why}</span>
        <span className="block text-ink-2">
          {[
            `${minutes} min`,
            waitMinutes > 0 ? `then ${waitMinutes} min by itself` : "",
            people === 2 ? "two people" : "",
            ...tools,
          ]
            .filter(Boolean)
            .join(" · ")}
        </span>
        {caution && <span className="mt-1 block border-ink border-l-4 pl-2 font-bold">{caution}</span>}
      </span>
      <span className="flex shrink-0 gap-1">
        <Button
          className="px-3"
          aria-label={`Earlier: ${name}`}
          disabled={isOff}
          onClick={() => onMove(id, index - 1)}
        >
          <ArrowUp aria-hidden="true" />
        </Button>
        <Button
          className="px-3"
          aria-label={`Later: ${name}`}
          disabled={isOff}
          onClick={() => onMove(id, index + 1)}
        >
          <ArrowDown aria-hidden="true" />
        </Button>
      </span>
    </li>
  );
}

/** The steps in their order, each moved by dragging or by its two arrows. */
export function StepList({
  steps,
  isOff,
  onMove,
}: {
  steps: WorkStep[];
  isOff: boolean;
  onMove: (id: string, to: number) => void;
}) {
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: DRAG_FROM_PX } }));
  const drop = ({ active, over }: DragEndEvent) => {
    const to = steps.findIndex(({ id }) => id === over?.id);
    if (over && active.id !== over.id && to >= 0) onMove(String(active.id), to);
  };
  const nameOf = (id: string | number) => steps.find((step) => step.id === id)?.name ?? "";
  const announcements = {
    onDragStart: ({ active }: { active: { id: string | number } }) => `${nameOf(active.id)}: taken up.`,
    onDragOver: () => undefined,
    onDragEnd: ({ active }: { active: { id: string | number } }) => `${nameOf(active.id)}: put down.`,
    onDragCancel: ({ active }: { active: { id: string | number } }) => `${nameOf(active.id)}: put back.`,
  };
  return (
    <DndContext
      accessibility={{ announcements }}
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={drop}
    >
      <SortableContext items={steps.map(({ id }) => id)} strategy={verticalListSortingStrategy}>
        <ol aria-label="Order of work" className="border-ink border-t-2">
          {steps.map((step, index) => (
            <StepRow key={step.id} step={step} index={index} isOff={isOff} onMove={onMove} />
          ))}
        </ol>
      </SortableContext>
    </DndContext>
  );
}
