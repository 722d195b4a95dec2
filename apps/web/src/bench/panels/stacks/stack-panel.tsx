import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import {
  arrayMove,
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { stackAsSheet, type Stack } from '@jubb/core/sheet';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { Go, type PanelProps } from '../panel.tsx';

/** The layers as they lie, drawn; each is moved by drag, or by keys: space lifts it, arrows move it, space sets it down. */
export function StackPanel({ bench, op }: PanelProps<'stack' | 'restack'>): React.JSX.Element {
  const stack = bench.sheet.stacks[op.stack]!;
  const found = bench.state.stacks[stack.id]?.found;
  const [order, setOrder] = useState<readonly number[]>(() => stack.layers.map((_, i) => i));
  const [reason, setReason] = useState('');
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const asSheet = stackAsSheet(stack, order);
  const dropped = ({ active, over }: DragEndEvent): void => {
    if (!over || active.id === over.id) return;
    const from = order.indexOf(idOf(active.id));
    const to = order.indexOf(idOf(over.id));
    setOrder(arrayMove([...order], from, to));
  };
  const again = op.kind === 'restack';
  return (
    <>
      <div className="op">
        <p className="m-0">
          {again ? 'Stack it as it is drawn' : 'Put the layers as they lie'}, counted from {stack.from}. Drag a layer,
          or press space on it and use the arrows.
        </p>
        <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={dropped}>
          <SortableContext items={order.map((n) => `layer-${n}`)} strategy={verticalListSortingStrategy}>
            <ol className="stack" aria-label={`${stack.title}, from ${stack.from}`}>
              {order.map((n, i) => (
                <Layer
                  key={n}
                  n={n}
                  place={i + 1}
                  stack={stack}
                  off={stack.layers[n]!.part !== stack.layers[i]!.part}
                />
              ))}
            </ol>
          </SortableContext>
        </DndContext>
        {stack.last && <p className="m-0">Last: {stack.last}.</p>}
        {again && found && !found.asSheet && (
          <div className="past mt-2">
            <b>It came apart in another order: </b>
            {found.order.map((n) => stack.layers[n]?.title).join(', ')}
            <div className="mt-1">
              <Button variant="line" onClick={() => setOrder(found.order)}>
                As it came apart
              </Button>{' '}
              <Button variant="line" onClick={() => setOrder(stack.layers.map((_, i) => i))}>
                As the sheet says
              </Button>
            </div>
          </div>
        )}
        {again && !asSheet && (
          <div className="mt-2">
            <Form.Label htmlFor="why-order">Not the order of the sheet: why?</Form.Label>
            <Form.Control id="why-order" value={reason} maxLength={400} onChange={(e) => setReason(e.target.value)} />
          </div>
        )}
      </div>
      <Go
        label={
          asSheet
            ? again
              ? 'In this order, as the sheet'
              : 'It lies as the sheet says'
            : 'It lies so, not as the sheet says'
        }
        act={() => bench.give({ type: 'order-stack', op: op.id, order, ...(reason.trim() ? { reason } : {}) })}
        disabled={again && !asSheet && !reason.trim()}
      />
    </>
  );
}

const idOf = (id: string | number): number => Number(String(id).replace('layer-', ''));

function Layer({
  n,
  place,
  stack,
  off,
}: {
  readonly n: number;
  readonly place: number;
  readonly stack: Stack;
  readonly off: boolean;
}): React.JSX.Element {
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({ id: `layer-${n}` });
  const layer = stack.layers[n]!;
  // Parts of a kind share a pattern, so that a stack reads as plates and not as words.
  const kind = [...new Set(stack.layers.map((l) => l.part))].indexOf(layer.part) % 6;
  return (
    <li ref={setNodeRef} style={{ transform: transform ? `translateY(${transform.y}px)` : undefined, transition }}>
      <button
        type="button"
        className={`layer k${kind} ${off ? 'off' : ''}`}
        data-lifted={isDragging}
        {...attributes}
        {...listeners}
      >
        <b>{place}</b>
        <span>{layer.title}</span>
        {off && <i>not its place on the sheet</i>}
      </button>
    </li>
  );
}
