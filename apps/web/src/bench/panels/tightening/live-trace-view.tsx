import { useEffect, useRef } from 'react';
import { LiveTrace, type Sample } from '../../../drawing/live-trace.ts';

const WIDTH = 340;
const HEIGHT = 96;

/** Where samples of a pull that is under way are put; the view takes them at its own pace. */
export class SampleQueue {
  private waiting: Sample[] = [];
  last: Sample | undefined;
  count = 0;

  put(sample: Sample): void {
    this.waiting.push(sample);
    this.last = sample;
    this.count += 1;
  }
  take(): readonly Sample[] {
    const all = this.waiting;
    this.waiting = [];
    return all;
  }
  clear(): void {
    this.waiting = [];
    this.last = undefined;
    this.count = 0;
  }
}

/** The pull as it happens, a frame at a time. */
export function LiveTraceView({
  queue,
  lowNm,
  highNm,
}: {
  readonly queue: SampleQueue;
  readonly lowNm: number;
  readonly highNm: number;
}): React.JSX.Element {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const pen = canvas.current?.getContext('2d');
    if (!pen) return undefined;
    const dots = window.devicePixelRatio || 1;
    canvas.current!.width = WIDTH * dots;
    canvas.current!.height = HEIGHT * dots;
    pen.setTransform(dots, 0, 0, dots, 0, 0);
    const trace = new LiveTrace(pen, { width: WIDTH, height: HEIGHT, lowNm, highNm });
    let next = 0;
    const frame = (): void => {
      for (const s of queue.take()) trace.add(s);
      trace.draw();
      next = requestAnimationFrame(frame);
    };
    frame();
    return () => cancelAnimationFrame(next);
  }, [queue, lowNm, highNm]);
  return (
    <canvas
      ref={canvas}
      style={{ width: '100%', maxWidth: WIDTH, height: HEIGHT }}
      role="img"
      aria-label="Torque against turn, as it is pulled"
    />
  );
}
