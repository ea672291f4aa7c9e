import { AccountsService } from '../accounts/accounts.service.js'
import { FiguresService } from '../figures/figures.service.js'
import { EntriesService } from '../entries/entries.service.js'
import { PhotosService } from '../evidence/photos.service.js'
import { InstrumentsService } from '../instruments/instruments.service.js'
import { SamplesService } from '../samples/samples.service.js'
import { SheetsService } from '../sheets/sheets.service.js'
import { TracesService } from '../traces/traces.service.js'
import { VisitsService } from '../visits/visits.service.js'

const DOORS = {
  accounts: AccountsService,
  figures: FiguresService,
  samples: SamplesService,
  sheets: SheetsService,
  instruments: InstrumentsService,
  entries: EntriesService,
  photos: PhotosService,
  traces: TracesService,
  visits: VisitsService,
}

/** The doors through which the demo data comes in: the same as everybody's. */
export type DemoServices = { [K in keyof typeof DOORS]: InstanceType<(typeof DOORS)[K]> }

/** The doors of an application that is put together. */
export function demoServicesOf(app: { get<T>(token: new (...args: never[]) => T): T }): DemoServices {
  return Object.fromEntries(
    Object.entries(DOORS).map(([name, door]) => [name, app.get(door as never)]),
  ) as unknown as DemoServices
}
