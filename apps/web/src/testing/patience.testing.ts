// A busy machine may take seconds for what takes a tenth: a test waits for what must come, and fails by what never does.
if ('document' in globalThis) {
  const { configure } = await import('@testing-library/dom')
  configure({ asyncUtilTimeout: 8_000 })
}

export {}
