import { Button } from '@chakra-ui/react'
import { MoveRight } from 'lucide-react'
import type { TaskProps } from './task.js'

/** For fingers: the next touch takes the whole row, column or block up to it. Whoever has a keyboard holds Shift. */
export function GoThrough({
  walked,
  through,
  onThrough,
}: Pick<TaskProps, 'walked' | 'through' | 'onThrough'>) {
  if (walked.length === 0) return null
  return (
    <Button variant="outline" aria-pressed={through} onClick={() => onThrough(!through)}>
      <MoveRight size={18} /> {through ? 'Now touch the last one' : 'All up to …'}
    </Button>
  )
}
