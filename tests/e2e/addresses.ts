const port = Number(process.env.E2E_PORT ?? 5380)

/** The app with the demo garden. */
export const demoUrl = `http://127.0.0.1:${port}`
/** The app with no garden and no weather service. */
export const emptyUrl = `http://127.0.0.1:${port + 1}`
/** The stand-in weather service. */
export const weatherUrl = `http://127.0.0.1:${port + 2}`
