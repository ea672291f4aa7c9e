import { Box, HStack, chakra } from '@chakra-ui/react'
import { memo } from 'react'
import {
  LIST_ORDERS,
  STAGE_CAUTIONS,
  STAGE_TITLES,
  isLeft,
  type JudgedCheck,
  type ListOrder,
  type Stage,
} from '@plumb-mark/core'
import { SectionTitle, SmallPrint } from '../ui/theme/text.js'
import { Select } from '../ui/select.js'
import { InHand, dimensionsOf } from './in-hand.js'
import { alike } from '../ui/alike.js'
import { Cluster } from '../ui/cluster.js'

export type StageFilter = 'all' | 'left' | 'wrong' | 'not-proven'
export const PASSES: Record<StageFilter, (judged: JudgedCheck) => boolean> = {
  all: () => true,
  left: isLeft,
  wrong: ({ outcome }) => outcome.verdict === 'does-not-conform',
  'not-proven': ({ outcome }) => outcome.verdict === 'not-proven',
}
const FILTER_WORDS: Record<StageFilter, string> = {
  all: 'All',
  left: 'Left',
  wrong: 'Wrong',
  'not-proven': 'Not proven',
}
export const NOTHING: Record<StageFilter, string> = {
  all: 'Nothing is asked in this stage.',
  left: 'Nothing is left in this stage.',
  wrong: 'Nothing is wrong in this stage.',
  'not-proven': 'Everything that was read here is proven.',
}

const ORDER_WORDS = {
  requirement: 'by requirement',
  place: 'by place',
  worst: 'wrong first',
} satisfies Record<ListOrder, string>

const FilterButton = chakra('button', {
  base: {
    minH: '44px',
    px: '11px',
    fontSize: '15px',
    fontWeight: 600,
    color: 'accent',
    borderRadius: '4px',
    cursor: 'pointer',
    whiteSpace: 'nowrap',
    '&[aria-pressed=true]': { bg: 'accentWash', color: 'text' },
  },
})

interface Chosen {
  stage: Stage
  filter: StageFilter
  onFilter: (filter: StageFilter) => void
  unitId: string
  onUnit: (unitId: string) => void
  order: ListOrder
  onOrder: (order: ListOrder) => void
}

/** The stage by its name, what of it is shown, and in which order. */
export function StageHead({
  here,
  ofUnit,
  ...chosen
}: Chosen & { here: readonly JudgedCheck[]; ofUnit: readonly JudgedCheck[] }) {
  return <Head {...chosen} {...factsOf(here, ofUnit)} />
}

function factsOf(here: readonly JudgedCheck[], ofUnit: readonly JudgedCheck[]) {
  return {
    units: [...new Map(here.map(({ check: { unit } }) => [unit.id, unit.label]))],
    counts: (Object.keys(PASSES) as StageFilter[]).map((one) => {
      const of = ofUnit.filter(PASSES[one])
      // Looked at, and still wrong or not proven.
      const isLookedAt = of.length > 0 && of.every(({ outcome }) => outcome.verdict !== 'not-inspected')
      return { one, count: of.length, isLookedAt }
    }),
    wanted: dimensionsOf(here),
  }
}

const Head = memo(function Head({
  stage,
  units,
  counts,
  wanted,
  filter,
  onFilter,
  unitId,
  onUnit,
  order,
  onOrder,
}: Chosen & ReturnType<typeof factsOf>) {
  return (
    <Box
      layerStyle="ruleBelow"
      px="18px"
      pt="8px"
      pb="6px"
      position={{ lg: 'sticky' }}
      top="0"
      bg="paper"
      zIndex={2}
    >
      <Cluster justifyContent="space-between" gap="6px 12px" minH="44px">
        <SectionTitle>{STAGE_TITLES[stage]}</SectionTitle>
        <HStack gap="6px">
          <Select
            aria-label="Order"
            value={order}
            onChange={({ target }) => onOrder(target.value as ListOrder)}
            w="auto"
          >
            {LIST_ORDERS.map((one) => (
              <option key={one} value={one}>
                {ORDER_WORDS[one]}
              </option>
            ))}
          </Select>
          {units.length > 1 && (
            <Select
              aria-label="Unit"
              value={unitId}
              onChange={({ target }) => onUnit(target.value)}
              w="auto"
              maxW="180px"
            >
              <option value="">every unit</option>
              {units.map(([id, label]) => (
                <option key={id} value={id}>
                  {label}
                </option>
              ))}
            </Select>
          )}
        </HStack>
      </Cluster>
      <Cluster role="group" aria-label="What is shown" gap="2px" ml="-11px">
        {counts.map(({ one, count, isLookedAt }) => (
          <FilterButton key={one} type="button" aria-pressed={filter === one} onClick={() => onFilter(one)}>
            {one === 'left' && isLookedAt ? 'Unsettled' : FILTER_WORDS[one]} {count}
          </FilterButton>
        ))}
      </Cluster>
      <InHand wanted={wanted} />
      {STAGE_CAUTIONS[stage] && <SmallPrint lineHeight={1.3}>{STAGE_CAUTIONS[stage]}</SmallPrint>}
    </Box>
  )
}, alike)
