import { Button, Flex, Textarea } from '@chakra-ui/react'
import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import { may, type CheckId, type DefectId } from '@plumb-mark/core'
import { useSession } from '../data/session.js'
import { Field } from '../ui/field.js'
import { SmallPrint } from '../ui/theme/text.js'
import { useInspection } from './inspection.js'
import { useRemarkDrafts } from './remark-drafts.js'
import { Cluster } from '../ui/cluster.js'

/** The reviewer’s pencil: a remark on what is being read, gathered until the job goes back with all of them. */
export function AddRemark({ about, ...thing }: { about: string; checkId?: CheckId; defectId?: DefectId }) {
  const jobId = useInspection((state) => state.jobId)
  const seal = useInspection(({ inspection }) => inspection?.state.seal)
  const readOnly = useInspection((state) => state.readOnly !== undefined)
  const role = useSession(({ person }) => person?.role)
  const add = useRemarkDrafts((state) => state.add)
  const [text, setText] = useState<string>()
  const [noted, setNoted] = useState(false)
  if (!jobId || !may('returned', role, { seal, readOnly })) return null
  if (text === undefined)
    return (
      <Cluster>
        <Button variant="outline" onClick={() => (setText(''), setNoted(false))}>
          Remark
        </Button>
        {noted && <SmallPrint role="status">Noted. It goes back with the job, from Sign-off.</SmallPrint>}
      </Cluster>
    )
  const keep = () => {
    add(jobId, { id: uuid(), text: text.trim(), about, ...thing })
    setText(undefined)
    setNoted(true)
  }
  return (
    <>
      <Field label="What is to be done or explained?">
        {(ids) => (
          <Textarea
            {...ids}
            rows={2}
            autoFocus
            value={text}
            onChange={({ target }) => setText(target.value)}
          />
        )}
      </Field>
      <Flex gap="10px">
        <Button disabled={text.trim() === ''} onClick={keep}>
          Add the remark
        </Button>
        <Button variant="plain" onClick={() => setText(undefined)}>
          Cancel
        </Button>
      </Flex>
    </>
  )
}
