import { Button } from '@chakra-ui/react'
import { Calculator } from 'lucide-react'
import { Link, useParams } from 'react-router'
import { calculationOf, type JudgedCheck } from '@plumb-mark/core'
import { CATALOGUE } from '../data/calculators/catalogue.js'
import { toLink } from '../data/calculators/link.js'
import { useInspection } from '../job/inspection.js'

/** The calculator that answers what a check asks, with its figures: what would just do, and what if. */
export function ToCalculator({ judged }: { judged: JudgedCheck }) {
  const { jobId } = useParams()
  const context = useInspection(({ inspection }) => inspection?.context)
  const calculation = context && calculationOf(judged, context)
  if (!calculation) return null
  const { calculator, input } = calculation
  const { id, stage } = judged.check
  const fields = new URLSearchParams({ in: toLink(input), job: jobId ?? '', stage, check: id })
  return (
    <Button asChild variant="plain" px="4px">
      <Link to={`/calculators/${calculator}?${fields}`}>
        <Calculator size={17} /> {CATALOGUE[calculator].title}
      </Link>
    </Button>
  )
}
