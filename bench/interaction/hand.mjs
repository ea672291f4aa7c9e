/** One hand at the tablet: every key that is pressed and every touch is counted. */
export class Hand {
  count = 0

  constructor(page) {
    this.page = page
  }

  async tap(target) {
    this.count++
    await target.click()
  }

  async key(name) {
    this.count++
    await this.page.keyboard.press(name)
  }

  /** Into whatever has the focus. */
  async keys(text) {
    this.count += [...text].length
    await this.page.keyboard.type(text)
  }

  async type(field, text) {
    await this.tap(field)
    await this.keys(text)
  }

  /** A choice is opened and touched. */
  async choose(field, value) {
    this.count += 2
    await field.selectOption(value)
  }
}
