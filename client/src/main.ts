import '@fontsource-variable/atkinson-hyperlegible-next/wght.css'
import '@fontsource/bricolage-grotesque/700.css'
import 'virtual:control-styles.css'
import './styles/tokens.css'
import './styles/letters.css'
import './styles/base.css'
import { askAhead } from './api/ahead'
import { nextTurn } from './kit/nextTurn'
import { languageToSpeak, messagesOf } from './language/device'

// This piece is small and read first: what the first screen asks for and what is said come beside the app, and not after it.
void askAhead()
const language = languageToSpeak()
await nextTurn()
const messages = messagesOf(language)
const { speak } = await import('./language')
// Words that stand in tables of modules are told when those are read: the language comes first.
await speak(language, messages)
await nextTurn()
const { start } = await import('./start')
await nextTurn()
void start()
