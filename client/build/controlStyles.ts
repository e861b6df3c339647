import { Theme } from '@primeuix/styled'
import BaseStyle from '@primevue/core/base/style'
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
  return [
    base.getLayerOrderThemeCSS() + ';',
    inside(base.getCommonThemeStyleSheet()),
    ...[base, ...controls].map((control) => inside(control.getThemeStyleSheet())),
  ].join('\n')
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
