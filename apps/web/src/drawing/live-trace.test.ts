import { describe, expect, test } from '@jest/globals';
import { SampleQueue } from '../bench/panels/tightening/live-trace-view.tsx';
import { LiveTrace } from './live-trace.ts';

/** A pen that counts what it is asked to draw. */
function pen(): { context: CanvasRenderingContext2D; lines: number[]; cleared: () => number } {
  const lines: number[] = [];
  let cleared = 0;
  let points = 0;
  const context = {
    clearRect: () => (cleared += 1),
    fillRect: () => undefined,
    fillText: () => undefined,
    beginPath: () => (points = 0),
    moveTo: () => undefined,
    lineTo: () => (points += 1),
    stroke: () => lines.push(points),
  };
  return { context: context as unknown as CanvasRenderingContext2D, lines, cleared: () => cleared };
}
const frame = { width: 340, height: 96, lowNm: 22, highNm: 26 };

describe('a trace that is drawn as it comes', () => {
  test('each frame draws only what is new', () => {
    const { context, lines } = pen();
    const trace = new LiveTrace(context, frame);
    for (let f = 0; f < 5; f += 1) {
      for (let i = 0; i < 16; i += 1) trace.add([(f * 16 + i) * 0.1, f * 16 + i > 200 ? 24 : 5]);
      trace.draw();
    }
    // The axis, then the first sixteen (fifteen lines), then sixteen more each frame.
    expect(lines).toEqual([1, 15, 16, 16, 16, 16]);
  });
  test('a frame without anything new draws nothing', () => {
    const { context, lines } = pen();
    const trace = new LiveTrace(context, frame);
    trace.add([0, 0]);
    trace.add([1, 2]);
    trace.draw();
    const before = lines.length;
    trace.draw();
    trace.draw();
    expect(lines).toHaveLength(before);
  });
  test('what runs out of the frame makes it grow, and all is drawn once more', () => {
    const { context, lines, cleared } = pen();
    const trace = new LiveTrace(context, frame);
    for (let i = 0; i < 20; i += 1) trace.add([i, i]);
    trace.draw();
    expect(cleared()).toBe(1);
    trace.add([90, 60]);
    trace.draw();
    expect(cleared()).toBe(2);
    expect(lines.at(-1)).toBe(20);
    trace.clear();
    trace.draw();
    expect(cleared()).toBe(3);
  });
});

describe('samples between the wire and the screen', () => {
  test('are taken once, in order; the last one stays known for a line that drops', () => {
    const queue = new SampleQueue();
    queue.put([0, 1]);
    queue.put([2, 3]);
    expect(queue.take()).toEqual([[0, 1], [2, 3]]); // prettier-ignore
    expect(queue.take()).toEqual([]);
    expect([queue.last, queue.count]).toEqual([[2, 3], 2]);
    queue.clear();
    expect([queue.last, queue.count]).toEqual([undefined, 0]);
  });
});
