import { Injectable } from '@nestjs/common'
import { DataSource } from 'typeorm'
import { canonicalJson, dimensionWords, unstatedIn, type Instrument } from '@plumb-mark/core'
import { Writer } from '../database/writer.js'
import { Refused } from '../http/refused.js'
import { InstrumentRow } from './instrument.entity.js'

@Injectable()
export class InstrumentsService {
  constructor(
    private readonly db: DataSource,
    private readonly writer: Writer,
  ) {}

  async list(): Promise<Instrument[]> {
    const rows = await this.db.getRepository(InstrumentRow).find({ order: { kind: 'ASC', name: 'ASC' } })
    return rows.map(asInstrument)
  }

  /** A reading keeps its instrument as it was; it must be one of ours, with the figures that we keep. */
  async requireSame(used: Instrument): Promise<void> {
    const row = await this.db.getRepository(InstrumentRow).findOneBy({ id: used.id })
    if (!row || canonicalJson(asInstrument(row)) !== canonicalJson(used))
      throw new Refused(
        409,
        'unknown-instrument',
        `“${used.name}” is not kept here with these figures: load the job again`,
      )
  }

  /** Adds an instrument or writes its figures anew, say after a calibration. */
  async keep(instrument: Instrument): Promise<Instrument> {
    await this.keepAll([instrument])
    return instrument
  }

  /** All or none. Refused where one does not say how well it measures. */
  async keepAll(instruments: readonly Instrument[]): Promise<void> {
    for (const instrument of instruments) requireStated(instrument)
    await this.writer.inTransaction((transaction) =>
      transaction.upsert(InstrumentRow, [...instruments], ['id']),
    )
  }
}

function requireStated(instrument: Instrument): void {
  const [dimension] = unstatedIn(instrument)
  if (dimension === undefined) return
  throw new Refused(
    400,
    'uncertainty-missing',
    `“${instrument.name}” measures ${dimensionWords(dimension)} without an uncertainty: take it from the certificate`,
    'accuracy',
  )
}

const asInstrument = ({ id, name, kind, serial, calibratedUntil, accuracy }: InstrumentRow): Instrument => ({
  id,
  name,
  kind,
  serial,
  calibratedUntil,
  accuracy,
})
