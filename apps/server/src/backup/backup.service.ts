import { join } from 'node:path'
import { Inject, Injectable, type OnApplicationBootstrap, type OnApplicationShutdown } from '@nestjs/common'
import { backupsIn, clearOld, type Taken } from '@plumb-mark/archive'
import type { BackupState } from '@plumb-mark/contract'
import type { Person } from '@plumb-mark/core'
import { AuditService } from '../audit/audit.service.js'
import { Refused } from '../http/refused.js'
import { FiguresService } from '../figures/figures.service.js'
import { SETTINGS, type Settings } from '../settings.js'
import { WorkerPool, builtFile } from '../work/worker-pool.js'
import type { BackupAsked } from './backup.worker.js'
import { nextAt } from './next-at.js'

const TIME = 'backup-time'
const LAST = 'backup-last'
/** In the small hours of the machine. */
const USUAL_TIME = '02:30'
/** A timer cannot be set further ahead than some days, and a machine may sleep: it looks again. */
const LOOK_AGAIN_MS = 60_000

/** Years of photos on a slow disk, each read again. */
const MOST_MS = 6 * 3_600_000
/** A night that was missed, and half of the next day. */
const LATE_MS = 36 * 3_600_000

type Last = Omit<Taken, 'folder'>

/** The backup of every night and of whoever asks for one: taken while people work, read again, and kept by the rule. */
@Injectable()
export class BackupService implements OnApplicationBootstrap, OnApplicationShutdown {
  private readonly pool = new WorkerPool<BackupAsked, Taken>({
    file: builtFile(join(import.meta.dirname, 'backup.worker.js')),
    threads: 1,
    mostMs: MOST_MS,
    what: 'the backup',
  })
  private timer: NodeJS.Timeout | undefined
  private due = new Date()
  private running: Promise<Last> | undefined
  private failed: string | undefined

  constructor(
    private readonly figures: FiguresService,
    private readonly audit: AuditService,
    @Inject(SETTINGS) private readonly settings: Settings,
  ) {}

  async onApplicationBootstrap(): Promise<void> {
    this.due = nextAt(await this.time(), new Date())
    this.timer = setInterval(() => void this.look(), LOOK_AGAIN_MS).unref()
  }

  async onApplicationShutdown(): Promise<void> {
    clearInterval(this.timer)
    await this.running?.catch(() => undefined)
    await this.pool.end()
  }

  /** Takes the nightly backup when its time has come. */
  async look(now = new Date()): Promise<void> {
    if (now < this.due) return
    this.due = nextAt(await this.time(), now)
    await this.take().catch(() => undefined)
  }

  async state(): Promise<BackupState> {
    const last = await this.lastGood()
    return {
      folder: this.folder,
      at: await this.time(),
      withKey: this.settings.backupPassphrase !== undefined,
      kept: await backupsIn(this.folder),
      late: !last || Date.parse(last.at) < Date.now() - LATE_MS,
      ...(last && { last }),
      ...(this.failed !== undefined && { failed: this.failed }),
    }
  }

  async lastGood(): Promise<Last | undefined> {
    return this.figures.read<Last>(LAST)
  }

  async changeTime(at: string): Promise<void> {
    await this.figures.keep(TIME, at)
    this.due = nextAt(at, new Date())
  }

  /** One at a time; whoever asks meanwhile is given the one that runs. */
  take(by?: Person): Promise<Last> {
    this.running ??= this.takeOne(by).finally(() => (this.running = undefined))
    return this.running
  }

  private async takeOne(by: Person | undefined): Promise<Last> {
    try {
      const { name, at, files, bytes } = await this.pool.run({
        dataDir: this.settings.dataDir,
        target: this.folder,
        ...(this.settings.backupPassphrase !== undefined && {
          passphrase: this.settings.backupPassphrase,
        }),
      })
      const last: Last = { name, at, files, bytes }
      this.failed = undefined
      await this.figures.keep(LAST, last)
      await clearOld(this.folder)
      await this.audit.write({ action: 'backed up', by, subject: last.name, detail: `${last.files} files` })
      return last
    } catch (problem) {
      this.failed = (problem as Error).message
      this.settings.log.error({ err: problem }, 'fault: no backup could be taken')
      throw new Refused(507, 'no-backup', `no backup could be taken: ${this.failed}`)
    }
  }

  private get folder(): string {
    return this.settings.backupDir ?? join(this.settings.dataDir, 'backups')
  }

  private async time(): Promise<string> {
    return (await this.figures.read<string>(TIME)) ?? USUAL_TIME
  }
}
