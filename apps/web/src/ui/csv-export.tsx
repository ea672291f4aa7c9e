import { Button } from '@chakra-ui/react'
import { FileSpreadsheet } from 'lucide-react'
import { csvText, type CsvTable } from '@plumb-mark/core'
import { download } from './download.js'

/** A table as a file that every spreadsheet opens. */
export function CsvExport({ label, name, table }: { label: string; name: string; table: () => CsvTable }) {
  return (
    <Button
      variant="outline"
      onClick={() => download(`${name}.csv`, csvText(table()), 'text/csv;charset=utf-8')}
    >
      <FileSpreadsheet size={17} /> {label}
    </Button>
  )
}
