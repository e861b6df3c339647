/** Lets the browser draw and answer a touch before what follows. */
export const nextTurn = () => new Promise<void>((go) => setTimeout(go))
