'use client';

import {
  DndContext,
  KeyboardSensor,
  PointerSensor,
  closestCenter,
  useSensor,
  useSensors,
  type Announcements,
  type DragEndEvent,
  type UniqueIdentifier,
} from '@dnd-kit/core';
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { GripVertical } from 'lucide-react';
import { useId, type ReactNode } from 'react';

type Props = {
  ids: string[];
  onMove: (from: number, to: number) => void;
  children: ReactNode;
};

/** What is read out while a line moves: its place in the list, and where it was put down. */
function spokenPlaces(ids: string[]): Announcements {
  const place = (id: UniqueIdentifier | undefined) =>
    `place ${ids.indexOf(String(id)) + 1} of ${ids.length}`;
  return {
    onDragStart: ({ active }) => `Picked up from ${place(active.id)}.`,
    onDragOver: ({ over }) => (over ? `Now at ${place(over.id)}.` : 'Outside the list.'),
    onDragEnd: ({ active, over }) => `Put down at ${place((over ?? active).id)}.`,
    onDragCancel: ({ active }) => `Left at ${place(active.id)}.`,
  };
}

/** A list whose lines are moved with the pointer, or with space and the arrow keys on their handle. */
export function SortableList({ ids, onMove, children }: Props) {
  const id = useId();
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const moved = ({ active, over }: DragEndEvent) => {
    const [from, to] = [ids.indexOf(String(active.id)), ids.indexOf(String(over?.id))];
    if (from >= 0 && to >= 0 && from !== to) onMove(from, to);
  };
  return (
    <DndContext
      id={id}
      sensors={sensors}
      collisionDetection={closestCenter}
      accessibility={{ announcements: spokenPlaces(ids) }}
      onDragEnd={moved}
    >
      <SortableContext items={ids} strategy={verticalListSortingStrategy}>
        {children}
      </SortableContext>
    </DndContext>
  );
}

/** One line of a {@link SortableList}, with its handle in front. */
export function SortableLine({
  id,
  label,
  children,
}: {
  id: string;
  label: string;
  children: ReactNode;
}) {
  const {
    attributes,
    listeners,
    setNodeRef,
    setActivatorNodeRef,
    transform,
    transition,
    isDragging,
  } = useSortable({ id });
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={`flex items-start gap-1 border-t border-line bg-sheet py-1.5 ${isDragging ? 'relative z-10 shadow-lg' : ''}`}
    >
      <button
        type="button"
        ref={setActivatorNodeRef}
        {...attributes}
        {...listeners}
        aria-label={`Move ${label}`}
        className="flex min-h-12 w-8 shrink-0 cursor-grab touch-none items-center justify-center text-soft"
      >
        <GripVertical size={18} aria-hidden="true" />
      </button>
      <div className="min-w-0 grow">{children}</div>
    </li>
  );
}
