import { expect, type Locator, type Page } from '@playwright/test'
import { photoOfLabels } from '../page-objects/bar-code.js'
import { Crew } from '../page-objects/crew.js'
import { drawnPhoto, type DrawnPhoto } from '../page-objects/drawn-photo.js'
import { test } from '../page-objects/walk.js'

const UNITS = [
  { x: 420, y: 1150, w: 520, h: 680, colour: '#3a4a57' },
  { x: 1290, y: 1150, w: 520, h: 680, colour: '#3a4a57' },
]
const PIPE = { x: 1000, y: 2080, w: 620, h: 60, colour: '#8c3b1f' }

/** Touches each mark of a photo in the order of the pins. */
async function pinned(page: Page, photo: DrawnPhoto): Promise<void> {
  const picture = (await page.getByRole('application').boundingBox())!
  for (const [x, y] of photo.marks)
    await page.mouse.click(
      picture.x + (x / photo.width) * picture.width,
      picture.y + (y / photo.height) * picture.height,
    )
}

test('a wall is drawn from its photo: a pipe becomes offsets that know how sure they are, the tape makes one surer', async ({
  browser,
}) => {
  const inspector = await Crew.signedIn(browser, 'inspector')
  const { page } = inspector
  await inspector.openJob()
  await inspector.goTo('Place and mount')
  await page.getByRole('button', { name: 'Pump house, north wall' }).click()
  const marks = [
    [300, 700],
    [2500, 700],
    [2500, 2250],
    [300, 2250],
    [500, 800],
    [2000, 800],
  ] as const
  const photo = await drawnPhoto(page, 'wall.jpg', [...UNITS, PIPE], marks, {
    from: [900, 1400, 3600],
    at: [1400, 1450],
  })
  await page.getByRole('button', { name: 'Photo', exact: true }).first().click()
  const dialog = page.getByRole('dialog', { name: /Photo as a tape/ })
  await dialog.getByLabel('Photo to measure on').setInputFiles(photo.file)
  await dialog.getByLabel('The four marks are').selectOption('taped')
  for (const [i, [x, y]] of marks.slice(0, 4).entries()) {
    await dialog.getByLabel('across').nth(i).fill(`${x} mm`)
    await dialog.getByLabel('up', { exact: true }).nth(i).fill(`${y} mm`)
  }
  await pinned(page, photo)

  // A check length that was misread by 100 mm: nothing is measured.
  await dialog.getByLabel(/Check length/).fill('1.4 m')
  await expect(dialog.getByRole('alert')).toContainText('instead of 1400 mm')
  await expect(dialog.getByRole('button', { name: 'Lay it under the wall' })).toBeDisabled()
  await dialog.getByLabel(/Check length/).fill('1.5 m')
  await expect(dialog.getByText(/The check length agrees/)).toBeVisible()
  await dialog.getByRole('button', { name: 'Lay it under the wall' }).click()

  const wall = page.getByRole('group', { name: 'Pump house, north wall, elevation' })
  await expect(wall.locator('image')).toBeVisible()
  await page.getByRole('button', { name: 'Draw on it' }).click()
  await touched(wall, PIPE.x, PIPE.y)
  await touched(wall, PIPE.x + PIPE.w, PIPE.y + PIPE.h)
  const drawn = page.getByRole('region', { name: 'Drawn on the photo' })
  await expect(drawn).toContainText(/left (99\d|100\d) mm.*±/)
  await drawn.getByLabel('This is').selectOption('pipe')
  await drawn.getByRole('button', { name: 'Place it' }).click()
  const measures = page.getByRole('region', { name: 'Measures of pipe' })
  await expect(measures.getByText(/off a photo, ±/)).toHaveCount(4)
  await measures.getByLabel('From the datum to its left edge').fill('1 m')
  await measures.getByLabel('From the datum to its left edge').press('Enter')
  await expect(measures.getByText(/off a photo, ±/)).toHaveCount(3)
  await inspector.allKept()
  await page.reload()
  await expect(wall.locator('image')).toBeVisible()
  // The wall is left as it was found.
  await wall.locator('[data-item^="obstruction-"]').click()
  await measures.getByRole('button', { name: 'Remove' }).click()
  await page.getByRole('button', { name: 'Remove the photo' }).click()
  await expect(wall.locator('image')).toHaveCount(0)
  await inspector.allKept()
})

test('a length is read off a photo of the printed sheet, and stands in the record with its photo', async ({
  browser,
}) => {
  const inspector = await Crew.signedIn(browser, 'inspector')
  const { page } = inspector
  await inspector.openJob()
  await inspector.goTo('Place and mount')
  const check = await inspector.check('inv-1/display-height/unit')
  await check.getByRole('button', { name: 'Off a photo' }).click()
  const sheet = { x: -25, y: -48, w: 210, h: 297, colour: 'white' }
  const photo = await drawnPhoto(
    page,
    'sheet.jpg',
    [sheet],
    [
      [0, 0],
      [160, 0],
      [160, 200],
      [0, 200],
      [10, 100],
      [150, 100],
      [10, 150],
      [250, 150],
    ],
    { from: [20, 140, 520], at: [130, 110] },
  )
  await page.getByLabel('Photo to measure on').setInputFiles(photo.file)
  await pinned(page, photo)
  await page.getByRole('button', { name: 'Use as the reading' }).click()
  await expect(check.getByLabel(/^Reading,/)).toHaveValue(/^(239|240)(\.\d)? mm$/)
  await expect(check.getByText(/Read off a photo, to ±/)).toBeVisible()
  await check.getByRole('button', { name: 'Save' }).click()
  await expect(check.getByText(/photo, .*Marsh/)).toBeVisible()
  await inspector.allKept()
  // What does not belong there is taken back: the display hangs as high as it did.
  await page.getByRole('button', { name: 'Undo' }).click()
  await inspector.allKept()

  // The same points fill the calculator, which shows the check beside what was measured.
  await page.goto('/calculators/photo-measure')
  await page.getByRole('button', { name: 'Mark them on a photo' }).click()
  await page.getByLabel('Photo to measure on').setInputFiles(photo.file)
  await pinned(page, photo)
  await page.getByRole('button', { name: 'Use the points' }).click()
  const rectified = page.getByRole('img', { name: /Known points and lengths/ })
  await expect(rectified).toContainText(/(239|240)/)
  await expect(rectified).toContainText(/140/)
})

test('a defect before and after its rework lies on one picture, moved onto each other by four places', async ({
  browser,
}) => {
  const inspector = await Crew.signedIn(browser, 'inspector')
  const { page } = inspector
  await inspector.openJob()
  await inspector.goTo('Place and mount')
  const corners = [
    [420, 1150],
    [940, 1150],
    [940, 1830],
    [420, 1830],
  ] as const
  const before = await drawnPhoto(page, 'before.jpg', UNITS, corners, {
    from: [900, 1400, 3000],
    at: [1200, 1450],
  })
  const moved = [UNITS[0]!, { ...UNITS[1]!, x: 1360 }]
  const after = await drawnPhoto(page, 'after.jpg', moved, corners, {
    from: [1500, 1300, 3400],
    at: [1300, 1350],
  })
  // One that no other walk puts right.
  const check = await inspector.check('bat-2/tilt/unit')
  const tilt = check.getByRole('form', { name: 'Raise a defect' })
  await tilt.getByLabel('Photo').setInputFiles(before.file)
  await expect(tilt.getByAltText('before.jpg')).toBeVisible()
  await tilt.getByRole('button', { name: 'Raise the defect' }).click()
  await inspector.allKept()
  const installer = await Crew.signedIn(browser, 'installer')
  await installer.openJob()
  const owed = installer.page.getByRole('article', { name: /Tilt.*Battery 2/ })
  await owed.getByRole('button', { name: 'I have put this right' }).click()
  await owed.getByLabel('What was done?').fill('Hung it plumb, and moved what crowded it')
  await owed.getByLabel('Photo').setInputFiles(after.file)
  await expect(owed.getByAltText('after.jpg')).toBeVisible()
  await owed.getByRole('button', { name: 'Mark as reworked' }).click()
  await installer.allKept()

  const compared = async (someone: Crew) => {
    await someone.page.getByRole('link', { name: /^Defects \(/ }).click()
    const defect = someone.page.getByRole('article', { name: /Tilt.*Battery 2/ })
    await defect.getByRole('button', { name: 'Before and after' }).click()
    return someone.page.getByRole('dialog', { name: 'Before and after' })
  }
  const dialog = await compared(inspector)
  await expect(dialog.getByAltText('After the rework')).toBeVisible()
  await dialog.getByRole('button', { name: 'Lay on each other' }).click()
  for (let place = 0; place < corners.length; place++)
    for (const [words, photo] of [
      ['before', before],
      ['after', after],
    ] as const) {
      const picture = dialog.getByAltText(`Photo ${words} the rework`)
      await expect(dialog.getByRole('status')).toContainText(`touch place ${place + 1}`)
      const [x, y] = photo.marks[place]!
      const { width, height } = (await picture.boundingBox())!
      await picture.click({ position: { x: (x / photo.width) * width, y: (y / photo.height) * height } })
    }
  // What both photos show lies in one place now: the picture after is one of our own making.
  await expect(dialog.getByAltText('After the rework')).toHaveAttribute('src', /^blob:/)
  await dialog.getByRole('button', { name: 'Close' }).click()
  await inspector.allKept()
  // It stands in the record: whoever looks on another device sees them so.
  const reviewer = await Crew.signedIn(browser, 'reviewer')
  await reviewer.openJob()
  const seen = await compared(reviewer)
  await expect(seen.getByAltText('After the rework')).toHaveAttribute('src', /^blob:/)
  await expect(seen.getByText(/touch place/)).toHaveCount(0)
  await seen.getByLabel('How much is seen of before').fill('20')
  await expect(seen.getByAltText('After the rework')).toHaveCSS('clip-path', /20%/)
})

/** Touches a place of the wall, in its millimetres. */
async function touched(wall: Locator, x: number, y: number): Promise<void> {
  const [left, top] = await wall.evaluate(
    (svg, [x, y]) => {
      const { x: left, y: top } = new DOMPoint(x, -y).matrixTransform(
        (svg as unknown as SVGGraphicsElement).getScreenCTM()!,
      )
      return [left, top] as const
    },
    [x, y] as const,
  )
  await wall.page().mouse.move(left, top)
  await wall.page().mouse.click(left, top)
}

test('the labels of a paper map are read off one photo, put where they lie, and taken when a person says so', async ({
  browser,
}) => {
  const inspector = await Crew.signedIn(browser, 'inspector')
  const { page } = inspector
  await inspector.openJob('Juniper Flat Observatory, visitor canopy')
  await inspector.goTo('Roof')
  await page.getByRole('button', { name: 'Module electronics and serials' }).click()
  await page.getByRole('button', { name: 'Labels off a photo' }).click()
  const dialog = page.getByRole('dialog', { name: 'Labels off a photo' })
  const rows = [1, 2].map((row) =>
    Array.from({ length: 11 }, (_, i) => (row === 2 && i === 3 ? '' : `${row}${i + 10}`)),
  )
  const { photo, width, height } = await photoOfLabels(page, rows)
  await dialog
    .getByLabel('Photo to measure on')
    .setInputFiles({ name: 'map.png', mimeType: 'image/png', buffer: photo })
  await expect(dialog.getByText('21 labels read.')).toBeVisible()
  const picture = dialog.getByAltText('Photo of the labels')
  const shown = (await picture.boundingBox())!
  for (const [x, y] of [
    [0, 0],
    [width, 0],
    [width, height],
    [0, height],
  ] as const)
    await picture.click({
      position: {
        x: Math.min(shown.width - 1, (x / width) * shown.width),
        y: Math.min(shown.height - 1, (y / height) * shown.height),
      },
    })
  const places = dialog.getByRole('list', { name: 'Serials by place' })
  await expect(places.getByRole('listitem')).toHaveCount(21)
  await expect(places).toContainText('now SP38-262037 on the map')
  await expect(dialog.getByText('No label was read for row 2, place 4.')).toBeVisible()
  await dialog.getByRole('button', { name: 'Take 21 serials onto the map' }).click()
  await expect(page.getByText(/22 of 22 devices carry a serial/)).toBeVisible()
  await inspector.allKept()
  await page.getByRole('button', { name: 'Undo' }).click()
  await inspector.allKept()
})
