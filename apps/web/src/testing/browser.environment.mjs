import { TestEnvironment } from 'jest-environment-jsdom'

/** jsdom with the parts of a browser that it leaves out and Node has, and those that it has no use for. */
export default class BrowserEnvironment extends TestEnvironment {
  async setup() {
    await super.setup()
    // A failing test says what it missed, not the whole page.
    this.global.process.env.DEBUG_PRINT_LIMIT = '0'
    Object.assign(this.global, { TextEncoder, TextDecoder, Response, structuredClone })
    const { Blob, FileReader } = this.global
    Blob.prototype.arrayBuffer ??= function () {
      return new Promise((resolve, reject) => {
        const reader = new FileReader()
        reader.onload = () => resolve(reader.result)
        reader.onerror = () => reject(reader.error)
        reader.readAsArrayBuffer(this)
      })
    }
    Blob.prototype.text ??= async function () {
      return new TextDecoder().decode(await this.arrayBuffer())
    }
    labelsByTheirNames(this.global)
    withoutLooks(this.global)
    this.global.Element.prototype.scrollIntoView = () => undefined
    this.global.Range.prototype.getClientRects = () => []
    this.global.ResizeObserver = class {
      observe() {}
      unobserve() {}
      disconnect() {}
    }
    this.global.matchMedia = () => ({
      matches: false,
      addEventListener() {},
      removeEventListener() {},
      addListener() {},
      removeListener() {},
    })
  }
}

/**
 * The labels of a field, found by their names. jsdom looks through the whole page for every label of the page, once for each field that is
 * asked: a form of two hundred fields takes a second to be looked through for one.
 */
function labelsByTheirNames(window) {
  const { document } = window
  // A live list, which is only made anew when the page has changed.
  const labels = document.getElementsByTagName('label')
  const FIELDS = ['Button', 'Input', 'Meter', 'Output', 'Progress', 'Select', 'TextArea']
  for (const field of FIELDS)
    Object.defineProperty(window[`HTML${field}Element`].prototype, 'labels', {
      configurable: true,
      get() {
        if (this.type === 'hidden') return null
        return [...labels].filter((label) =>
          label.htmlFor ? label.htmlFor === this.id : label.contains(this) && firstFieldOf(label) === this,
        )
      },
    })
  const every = FIELDS.map((field) => field.toLowerCase()).join(',')
  const firstFieldOf = (label) => label.querySelector(every)
}

/**
 * A page without the styles of its components. jsdom holds every rule of the page against an element and all those around it whenever
 * somebody asks whether it can be seen: a third of the time of a test went into looks that it knows nothing of, since it lays nothing out.
 */
function withoutLooks({ document: { head } }) {
  const insert = head.insertBefore.bind(head)
  head.insertBefore = (node, before) => (node.dataset?.emotion === undefined ? insert(node, before) : node)
}
