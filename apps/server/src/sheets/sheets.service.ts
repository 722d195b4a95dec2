import { BadRequestException, ConflictException, Inject, Injectable, Logger, NotFoundException } from '@nestjs/common';
import { canonicalJson, sha256Hex } from '@jubb/core/bench';
import { SheetError, type Sheet } from '@jubb/core/sheet';
import { readGoodSheet } from '@jubb/core/sheet/read';
import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { DataSource } from 'typeorm';
import { HeavyService } from '../bounds/heavy.service.ts';
import type { LintAnswer } from '../bounds/heavy-tasks.ts';
import { CONFIG, type Config } from '../config/config.ts';
import { SheetRevision } from './sheet-revision.entity.ts';

@Injectable()
export class SheetsService {
  private readonly logger = new Logger('sheets');
  constructor(
    private readonly db: DataSource,
    private readonly heavy: HeavyService,
    @Inject(CONFIG) private readonly config: Config,
  ) {}

  /**
   * Brings the shipped sheets into the database: a new revision is added, one that is there is left alone.
   * @throws SheetError when a file does not pass the lint, or changed without a new revision number
   */
  async loadLibrary(): Promise<void> {
    const files = (await readdir(this.config.libraryDir)).filter((f) => f.endsWith('.yaml')).sort();
    const kept = new Set(
      (await this.db.getRepository(SheetRevision).find({ select: { source: true } })).map((r) => r.source),
    );
    for (const file of files) {
      const source = await readFile(join(this.config.libraryDir, file), 'utf8');
      // Read and linted when it first came; nothing of it would be kept anew.
      if (kept.has(source)) continue;
      await this.keep(readGoodSheet(source, file), source, file);
    }
    this.logger.log(`${files.length} sheets in the library`);
  }

  private async keep(sheet: Sheet, source: string, file: string): Promise<void> {
    const repository = this.db.getRepository(SheetRevision);
    const compiled = JSON.parse(JSON.stringify(sheet)) as Sheet;
    const hash = sha256Hex(canonicalJson(compiled));
    const known = await repository.findOneBy({ sheet: sheet.id, revision: sheet.revision });
    if (known) {
      // The same text compiled by an older program has another hash: what was pinned stays as it was.
      if (known.hash !== hash && known.source !== source) {
        throw new SheetError(file, [
          {
            severity: 'error',
            code: 'revision-reused',
            path: 'revision',
            message: `revision ${sheet.revision} of ${sheet.id} is in use with other contents: raise its number`,
          },
        ]);
      }
      return;
    }
    await repository.insert({ sheet: sheet.id, revision: sheet.revision, source, hash, compiled: compiled as never });
  }

  /** Sheets of units that this shop does not take in. */
  async notDone(): Promise<ReadonlySet<string>> {
    const rows = await this.db.query<{ sheet: string }[]>(`SELECT sheet FROM sheet_not_done`);
    return new Set(rows.map((r) => r.sheet));
  }

  /**
   * Takes in the text of a sheet from elsewhere. A revision that is here already with the same text is left alone.
   * @throws BadRequestException with what is wrong, line by line; ConflictException when that revision says something else
   */
  async take({ source, sheet, problems }: LintAnswer): Promise<{ readonly id: string; readonly revision: number }> {
    const errors = problems.filter((p) => p.severity === 'error');
    if (!sheet || errors.length > 0)
      throw new BadRequestException({
        message: 'This sheet is not taken in',
        errors: { source: errors.map((p) => `${p.line === undefined ? '' : `line ${p.line}: `}${p.message}`) },
      });
    try {
      await this.keep(sheet, source, sheet.id);
    } catch (e) {
      if (e instanceof SheetError)
        throw new ConflictException(
          `Revision ${sheet.revision} of ${sheet.id} is here with other contents: raise its number`,
        );
      throw e;
    }
    return { id: sheet.id, revision: sheet.revision };
  }

  /** The newest revision of each sheet. */
  newest(): Promise<SheetRevision[]> {
    return this.db
      .getRepository(SheetRevision)
      .createQueryBuilder('s')
      .distinctOn(['s.sheet'])
      .orderBy('s.sheet')
      .addOrderBy('s.revision', 'DESC')
      .getMany();
  }

  async newestOf(id: string): Promise<SheetRevision> {
    const found = await this.db
      .getRepository(SheetRevision)
      .findOne({ where: { sheet: id }, order: { revision: 'DESC' } });
    if (!found) throw new NotFoundException(`There is no sheet "${id}"`);
    return found;
  }

  /** Reads a sheet out of a body, in a thread. */
  lint(body: Buffer | undefined): Promise<LintAnswer> {
    return this.heavy.run({ kind: 'lint', body: body ?? new Uint8Array() });
  }
}
