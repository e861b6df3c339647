import '@fontsource-variable/atkinson-hyperlegible-next/wght.css'
import '@fontsource-variable/bricolage-grotesque/wght.css'
import './styles/tokens.css'
import './styles/base.css'
import { languageToSpeak, speak } from './language'

// Words that stand in tables of modules are told when those are read: the language comes first.
await speak(languageToSpeak())
await import('./start')
