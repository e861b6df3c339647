// Draws the app's icons for phones from icon.svg: `node docs/screenshots/icons.mjs`, with a chromium at hand.
/* global process, URL */
import { chromium } from 'playwright'
import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'

const publicFolder = fileURLToPath(new URL('../../client/public/', import.meta.url))
const drawing = readFileSync(publicFolder + 'icon.svg', 'utf8')
const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM_PATH ?? '/usr/bin/chromium',
  args: ['--no-sandbox'],
})
/** @param room share of the picture that is left around the drawing, so that a mask takes none of it */
async function draw(name, size, room) {
  const page = await browser.newPage({ viewport: { width: size, height: size } })
  const inner = Math.round(size * (1 - 2 * room))
  await page.setContent(
    `<body style="margin:0;background:#2b1a33;display:grid;place-items:center;height:100vh">` +
      drawing.replace('<svg', `<svg width="${inner}" height="${inner}"`),
  )
  await page.screenshot({ path: publicFolder + name })
  await page.close()
}
await draw('icon-192.png', 192, 0)
await draw('icon-512.png', 512, 0)
await draw('icon-maskable-512.png', 512, 0.12)
await draw('apple-touch-icon.png', 180, 0.06)
await browser.close()
