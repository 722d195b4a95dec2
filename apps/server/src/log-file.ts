import { pino } from 'pino';
import { createStream, type RotatingFileStream } from 'rotating-file-stream';

/** A log of so many files of this size: it never fills a disk. */
const SIZE = '5M';
const FILES = 5;

/** A place to write that loses lines and says how many, rather than ending the process when the disk is full. */
export interface BoundedLog extends pino.DestinationStream {
  /** Lines that found no room. */
  readonly lost: number;
}

/** A log file that is turned over, with old ones compressed away. */
export function boundedLog(folder: string, name = 'server.log'): BoundedLog {
  let lost = 0;
  let blocked = false;
  let stream: RotatingFileStream | undefined;
  const open = (): RotatingFileStream => {
    const made = createStream(name, { path: folder, size: SIZE, maxFiles: FILES });
    made.on('error', () => {
      // A full disk, mostly: this stream is done for. The next line tries a new one.
      lost += 1;
      if (stream === made) stream = undefined;
      made.destroy();
    });
    made.on('drain', () => (blocked = false));
    return made;
  };
  return {
    get lost() {
      return lost;
    },
    write(line: string): void {
      if (blocked && stream) {
        lost += 1;
        return;
      }
      stream ??= open();
      blocked = !stream.write(line);
      if (lost > 0 && !blocked) {
        const said = lost;
        lost = 0;
        stream.write(`${JSON.stringify({ level: 40, time: Date.now(), msg: `${said} lines of the log were lost` })}\n`);
      }
    },
  };
}

/** The server's logger: to its own bounded files, or to the terminal where no folder is given. */
export function makeLog(folder: string | undefined, level = 'info'): pino.Logger {
  return folder === undefined ? pino({ level }) : pino({ level }, boundedLog(folder));
}
