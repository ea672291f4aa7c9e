import { prepare } from './shared.mjs'

await prepare({ force: true })
