import { scaleLinear } from 'd3';

/** One sample: turn in degrees, torque at the fastener in N·m. */
export type Sample = readonly [deg: number, nm: number];

export interface TraceFrame {
  readonly width: number;
  readonly height: number;
  readonly lowNm: number;
  readonly highNm: number;
}

const LEFT = 40;
/** Half of the last label stands past the end of its axis. */
const RIGHT = 18;
const BOTTOM = 22;

/**
 * A trace that is drawn as it comes: only what is new since the last frame is added, so that a thousand samples a second
 * cost no more than a hundred. When a sample runs out of the frame, the scale grows and all of it is drawn once more.
 */
export class LiveTrace {
  private samples: Sample[] = [];
  private drawn = 0;
  private mostDeg = 60;
  private mostNm: number;

  constructor(
    private readonly pen: CanvasRenderingContext2D,
    private readonly frame: TraceFrame,
  ) {
    this.mostNm = frame.highNm * 1.25;
  }

  add(sample: Sample): void {
    this.samples.push(sample);
    const [deg, nm] = sample;
    if (deg > this.mostDeg || nm > this.mostNm) {
      while (deg > this.mostDeg) this.mostDeg *= 1.5;
      while (nm > this.mostNm) this.mostNm *= 1.25;
      this.drawn = 0;
    }
  }

  clear(): void {
    this.samples = [];
    this.drawn = 0;
  }

  /** Draws what is new. Called once a frame. */
  draw(): void {
    const { width, height, lowNm, highNm } = this.frame;
    const x = scaleLinear([0, this.mostDeg], [LEFT, width - RIGHT]);
    const y = scaleLinear([0, this.mostNm], [height - BOTTOM, 6]);
    const { pen } = this;
    if (this.drawn === 0) {
      pen.clearRect(0, 0, width, height);
      pen.fillStyle = '#d9e9e3';
      pen.fillRect(LEFT, y(highNm), width - LEFT - RIGHT, y(lowNm) - y(highNm));
      pen.strokeStyle = '#1d2326';
      pen.lineWidth = 1.5;
      pen.beginPath();
      pen.moveTo(LEFT, y(0));
      pen.lineTo(width - RIGHT, y(0));
      pen.stroke();
      pen.fillStyle = '#4a5358';
      pen.font = '13px "Atkinson Hyperlegible Next Variable", sans-serif';
      pen.textAlign = 'right';
      for (const t of y.ticks(2)) pen.fillText(String(t), LEFT - 5, y(t) + 5);
      pen.textAlign = 'center';
      for (const t of x.ticks(4)) pen.fillText(`${t}°`, x(t), height - 5);
      pen.textAlign = 'left';
      pen.fillText('N·m', 2, height - 5);
    }
    if (this.samples.length <= Math.max(1, this.drawn)) return;
    pen.strokeStyle = '#1d2326';
    pen.lineWidth = 3;
    pen.beginPath();
    const from = Math.max(0, this.drawn - 1);
    pen.moveTo(x(this.samples[from]![0]), y(this.samples[from]![1]));
    for (const [deg, nm] of this.samples.slice(from + 1)) pen.lineTo(x(deg), y(nm));
    pen.stroke();
    this.drawn = this.samples.length;
  }
}
