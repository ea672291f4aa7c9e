import { exhaustMap, filter, interval, takeUntil, type MonoTypeOperatorFunction } from 'rxjs'

/** A right that was taken away ends what lives on it within a second, whatever took it: nobody has to remember to tell. */
const ASK_EVERY_MS = 400

/** Lets a stream go on while `right` holds, asked anew again and again; a question that fails counts as a no. */
export const whileStill = <T>(right: () => Promise<boolean>): MonoTypeOperatorFunction<T> =>
  takeUntil(
    interval(ASK_EVERY_MS).pipe(
      exhaustMap(() => right().catch(() => false)),
      filter((still) => !still),
    ),
  )
