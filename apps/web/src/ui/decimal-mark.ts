import { createContext } from 'react'

/** The decimal mark that whoever types here uses; the application tells it from what they chose. */
export const DecimalMarkContext = createContext<'point' | 'comma'>('point')
