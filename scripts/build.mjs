import { prepare } from './shared.mjs'

prepare({ force: true })
