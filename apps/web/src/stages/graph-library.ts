/** What lays a graph out, in a file of its own: it is fetched once the stage stands there. */
export { layOutGraph } from '@plumb-mark/report'
