import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  pointerWithin,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
  type Announcements,
  type CollisionDetection,
  type DragEndEvent,
  type KeyboardCoordinateGetter,
  type UniqueIdentifier,
} from '@dnd-kit/core';
import type { JobLine } from '@jubb/contract';
import type { ReactNode } from 'react';
import { outbox } from '../outbox/use-outbox.ts';

interface Held {
  readonly place: string | null;
}

/** Arrows go from place to place in the order in which they stand on the screen. */
const fromPlaceToPlace: KeyboardCoordinateGetter = (event, { context }) => {
  const by =
    event.code === 'ArrowDown' || event.code === 'ArrowRight'
      ? 1
      : event.code === 'ArrowUp' || event.code === 'ArrowLeft'
        ? -1
        : 0;
  if (by === 0) return undefined;
  event.preventDefault();
  const places = [...context.droppableRects.entries()].sort(([, a], [, b]) => a.top - b.top || a.left - b.left);
  const at = places.findIndex(([id]) => id === context.over?.id);
  const next = places[Math.max(0, Math.min(places.length - 1, at + by))];
  const own = context.collisionRect;
  if (!next || !own) return undefined;
  const [, rect] = next;
  return { x: rect.left + rect.width / 2 - own.width / 2, y: rect.top + rect.height / 2 - own.height / 2 };
};

/** The place under the finger; by keys there is none, and the nearest counts: its own, until an arrow has moved it. */
const underPointer: CollisionDetection = (args) => {
  const under = pointerWithin(args);
  if (under.length > 0) return under;
  const { active, collisionRect, droppableContainers } = args;
  const from = active.rect.current.initial;
  const unmoved = !from || (from.left === collisionRect.left && from.top === collisionRect.top);
  const own = droppableContainers.find((d) => d.id === (active.data.current as Held | undefined)?.place);
  return unmoved && own ? [{ id: own.id }] : closestCenter(args);
};

/** What is said of a unit that is carried, for who does not see it. */
function announcements(jobs: readonly JobLine[]): Announcements {
  const name = (id: UniqueIdentifier): string => `Job ${jobs.find((j) => j.id === id)?.number ?? ''}`;
  return {
    onDragStart: ({ active }) => `${name(active.id)} is picked up`,
    onDragOver: ({ active, over }) =>
      over ? `${name(active.id)} is over ${over.id}` : `${name(active.id)} is over no place`,
    onDragEnd: ({ active, over }) =>
      over ? `${name(active.id)} is set down at ${over.id}` : `${name(active.id)} stays`,
    onDragCancel: ({ active }) => `${name(active.id)} stays where it was`,
  };
}

/** Lets units be moved between places: by drag, or by keys on the handle (space, arrows, space). */
export function MoveContext({
  jobs,
  refused,
  children,
}: {
  readonly jobs: readonly JobLine[];
  readonly refused: (words: string) => void;
  readonly children: ReactNode;
}): React.JSX.Element {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, { coordinateGetter: fromPlaceToPlace }),
  );
  const dropped = ({ active, over }: DragEndEvent): void => {
    const job = jobs.find((j) => j.id === active.id);
    const to = over ? String(over.id) : undefined;
    if (!job || to === undefined || job.place === to) return;
    const there = jobs.find((j) => j.place === to);
    if (there) return refused(`Job ${there.number} stands at ${to}. Move that one first.`);
    outbox.give(job.id, 'floor', { type: 'move', to });
  };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={underPointer}
      onDragEnd={dropped}
      accessibility={{ announcements: announcements(jobs) }}
    >
      {children}
    </DndContext>
  );
}

/** A place that a unit can be set down at. */
export function PlaceTarget({
  place,
  className,
  children,
}: {
  readonly place: string;
  readonly className: string;
  readonly children: ReactNode;
}): React.JSX.Element {
  const { setNodeRef, isOver } = useDroppable({ id: place });
  return (
    <div ref={setNodeRef} className={`${className} ${isOver ? 'over' : ''}`} data-place={place}>
      {children}
    </div>
  );
}

/** The handle by which a unit is taken. */
export function MoveHandle({ job }: { readonly job: JobLine }): React.JSX.Element {
  const { attributes, listeners, setNodeRef, transform } = useDraggable({
    id: job.id,
    data: { place: job.place } satisfies Held,
  });
  return (
    <button
      ref={setNodeRef}
      type="button"
      className="handle"
      {...attributes}
      {...listeners}
      aria-label={`Move job ${job.number} to another place`}
      style={transform ? { transform: `translate(${transform.x}px, ${transform.y}px)`, zIndex: 5 } : undefined}
    >
      <svg width="18" height="22" viewBox="0 0 18 22" aria-hidden="true">
        <path d="M3 4h12M3 11h12M3 18h12" stroke="currentColor" strokeWidth="2.5" />
      </svg>
      {transform && <span className="carried">Job {job.number}</span>}
    </button>
  );
}
