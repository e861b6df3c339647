import { Theme } from '@primeuix/styled'
import BaseStyle from '@primevue/core/base/style'
import postcss from 'postcss'
import type { Plugin } from 'vite'
import { MauvaisePreset } from './theme.ts'

const asked = 'virtual:control-styles.css'
const noStyles = '\0no-styles'
const noRipple = '\0no-ripple'

/** What the controls carry along and the app does not want; it is left out of the scripts. */
const emptied: Record<string, string> = {
  [noStyles]: "export const style = ''",
  // A ring that runs out from a finger is drawn nowhere; each button would make ready for it.
  [noRipple]: 'export default {}',
}

interface ControlStyle {
  getThemeStyleSheet(): string
}

/** Looks of a button that none here has. */
export const unworn = ['secondary', 'success', 'info', 'warn', 'help', 'danger']
const unwornClass = new RegExp(String.raw`\.p-(?:button|badge)-(?:${unworn.join('|')})(?![\w-])`)

/** Without the rules that nothing here meets, and without the variables that no rule reads. */
function worn(sheet: string): string {
  const root = postcss.parse(sheet)
  root.walkRules((rule) => {
    const met = rule.selectors.filter((selector) => !unwornClass.test(selector))
    if (met.length) rule.selectors = met
    else rule.remove()
  })
  // One variable may be read by another that goes.
  for (let gone = 1; gone > 0;) {
    const read = new Set([...root.toString().matchAll(/var\((--p-[\w-]+)/g)].map(([, name]) => name))
    gone = 0
    root.walkDecls(/^--p-/, (variable) => {
      if (read.has(variable.prop)) return
      variable.remove()
      gone++
    })
  }
  return root.toString()
}

const inside = (sheets: string) => sheets.replaceAll(/<\/?style[^>]*>/g, '\n')

/**
 * The look of PrimeVue's controls, reckoned from our tokens when the client is built. PrimeVue would do so at each start in the browser: on a phone
 * that is half of the time until the first screen stands.
 */
async function controlStyles(): Promise<string> {
  Theme.setTheme({
    preset: MauvaisePreset,
    // Both themes come from our own variables, so PrimeVue never switches.
    options: { darkModeSelector: false, cssLayer: { name: 'primevue', order: 'primevue' } },
  })
  const controls = await Promise.all(
    Object.keys(MauvaisePreset.components ?? {}).map(
      async (name) => ((await import(`primevue/${name}/style`)) as { default: ControlStyle }).default,
    ),
  )
  // Its types know nothing of what it can.
  const base = BaseStyle as unknown as ControlStyle & {
    getCommonThemeStyleSheet(): string
    getLayerOrderThemeCSS(): string
  }
  const sheet = [
    base.getLayerOrderThemeCSS() + ';',
    inside(base.getCommonThemeStyleSheet()),
    ...[base, ...controls].map((control) => inside(control.getThemeStyleSheet())),
  ].join('\n')
  return worn(sheet)
}

/** Gives the controls' look as a stylesheet, and leaves out of the scripts what it was reckoned from. */
export const styledAtBuild: Plugin = {
  name: 'controls-styled-at-build',
  enforce: 'pre',
  resolveId(id) {
    if (id === asked) return `\0${asked}`
    if (id.startsWith('@primeuix/styles/')) return noStyles
    if (id === 'primevue/ripple') return noRipple
  },
  load: (id) => (id === `\0${asked}` ? controlStyles() : emptied[id]),
}
