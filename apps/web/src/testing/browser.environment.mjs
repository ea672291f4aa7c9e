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
