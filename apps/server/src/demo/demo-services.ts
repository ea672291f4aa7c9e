import { VisitsService } from '../visits/visits.service.js'
import type { AccountsService } from '../accounts/accounts.service.js'
import type { EntriesService } from '../entries/entries.service.js'
import type { PhotosService } from '../evidence/photos.service.js'
import type { InstrumentsService } from '../instruments/instruments.service.js'
import type { SheetsService } from '../sheets/sheets.service.js'

/** The doors through which the demo data comes in: the same as everybody's. */
export interface DemoServices {
  accounts: AccountsService
  sheets: SheetsService
  instruments: InstrumentsService
  entries: EntriesService
  photos: PhotosService
  visits: VisitsService
}
