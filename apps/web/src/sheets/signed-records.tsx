import { Box, chakra } from '@chakra-ui/react'
import { Link } from 'react-router'
import type { SignedRecords as Records } from '@plumb-mark/contract'
import { VERDICT_WORDS } from '@plumb-mark/core'
import { useResource } from '../data/resource.js'
import { Note, SmallPrint, Strong } from '../ui/theme/text.js'
import { VerdictShape } from '../ui/verdict-mark.js'

const FEW = 5

/** Signed records that this revision would judge otherwise today: they stay as they were signed, and somebody should know. */
export function SignedRecords({ id }: { id: string }) {
  const { value } = useResource<Records>(`/api/sheets/${id}/signed`)
  if (!value?.looked) return null
  const { records, looked, left } = value
  return (
    <Box as="section" aria-label="Signed records" mt="22px">
      <Strong as="h2" mb="4px">
        Signed by earlier revisions
      </Strong>
      <Note>
        {records.length === 0
          ? `${looked} looked through: this revision would judge none of them otherwise.`
          : `${records.length} of ${looked} would be judged otherwise today. They stay as they were signed.`}
        {left > 0 && ` ${left} more were not looked through.`}
      </Note>
      {records.map(({ jobId, number, title, revision, checks }) => (
        <Box layerStyle="ruleAbove" key={jobId} mt="8px" pt="8px">
          <Link to={`/jobs/${jobId}`}>
            <b>{number}</b> {title}
          </Link>
          <SmallPrint>signed by revision {revision}</SmallPrint>
          <chakra.ul fontSize="14px">
            {checks.slice(0, FEW).map((check) => (
              <chakra.li
                key={`${check.title} ${check.place}`}
                display="flex"
                gap="6px"
                alignItems="center"
                py="2px"
              >
                <VerdictShape verdict={check.after} size={14} />
                <span>
                  {check.title}, {check.place} (clause {check.clause}): {VERDICT_WORDS[check.before]} then,{' '}
                  {VERDICT_WORDS[check.after]} today
                </span>
              </chakra.li>
            ))}
          </chakra.ul>
          {checks.length > FEW && <SmallPrint>and {checks.length - FEW} more</SmallPrint>}
        </Box>
      ))}
    </Box>
  )
}
