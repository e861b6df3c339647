// What the browser makes ready the first time that it is wanted takes it as long as a whole screen: how figures are written, and what it keeps for
// this page. It is wanted at once, and here, while the files of the app are on their way, there is time for it.
new Intl.NumberFormat(navigator.language)
try {
  localStorage.getItem('')
} catch {
  // A browser that keeps nothing has nothing to make ready.
}

// What was kept on the device is there at once, letters too. Elsewhere they come after the first answer: see `styles/letters.css`.
if (!navigator.serviceWorker?.controller) document.documentElement.classList.add('unlettered')
