/**
 * As many entries as a job may have, wherever it is written, exported, verified or imported: some forty times what a large site takes, and
 * what a phone still folds within a breath.
 */
export const MOST_ENTRIES = 20_000
