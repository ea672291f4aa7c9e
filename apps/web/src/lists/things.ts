import { useResource } from '../data/resource.js'
import type { Filter } from './filter-panel.js'

interface Thing {
  maker: string
  model: string
}

/** The makers and models that are in any job. */
export function useThings(): readonly Thing[] {
  const { value: data = [] } = useResource<Thing[]>('/api/things', { freshMs: 60_000 })
  return data
}

export function thingFilters(things: readonly Thing[], maker: string): Filter[] {
  const makers = [...new Set(things.map((thing) => thing.maker))]
  const models = things.filter((thing) => maker === '' || thing.maker === maker).map(({ model }) => model)
  const same = (text: string) => [text, text] as const
  return [
    { name: 'maker', label: 'Maker', any: 'any maker', options: makers.map(same) },
    { name: 'model', label: 'Model', any: 'any model', options: [...new Set(models)].map(same) },
  ]
}
