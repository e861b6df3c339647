// Forty made-up doses, worked by exact fractions of whole numbers and never by the app's own code. Writes recipes.csv beside it.
import { writeFileSync } from 'node:fs'
import { URL } from 'node:url'

const f = (n, d = 1n) => ({ n: BigInt(n), d: BigInt(d) })
const times = (a, b) => ({ n: a.n * b.n, d: a.d * b.d })
const over = (a, b) => ({ n: a.n * b.d, d: a.d * b.n })
const decimal = (text) => {
  const [whole, part = ''] = text.split('.')
  return f(BigInt(whole + part), 10n ** BigInt(part.length))
}
// A US gallon is 231 cubic inches of 2.54 cm; an imperial one 4.54609 l; an ounce 28.349523125 g.
const gallon = times(f(231n), times(decimal('2.54'), times(decimal('2.54'), decimal('2.54'))))
const imperial = decimal('4546.09')
const unit = {
  ml: f(1), l: f(1000), g: f(1), kg: f(1000), oz: decimal('28.349523125'),
  'us-gal': gallon, 'us-qt': over(gallon, f(4)), 'us-pt': over(gallon, f(8)), 'us-cup': over(gallon, f(16)),
  'us-floz': over(gallon, f(128)), 'us-tbsp': over(gallon, f(256)), 'us-tsp': over(gallon, f(768)),
  'imp-gal': imperial, 'imp-pt': over(imperial, f(8)), 'imp-floz': over(imperial, f(160)),
  'metric-tsp': f(5), 'metric-tbsp': f(15), 'metric-cup': f(250), 'au-tbsp': f(20), drop: over(f(1), f(20)),
}
const mass = new Set(['g', 'kg', 'oz'])
// dose, unit, per, unit, tank, unit, density (or -), stock %, recipe %
const rows = `
2 us-tbsp 1 us-gal 1 us-gal - - -
2 us-tsp 1 us-qt 1.5 l - - -
8 us-floz 1 us-gal 2 us-gal - - -
1 us-tbsp 1 us-gal 1 us-gal 0.95 - -
1.5 us-tsp 1 us-pt 24 us-floz - - -
1 us-cup 5 us-gal 1 us-gal - - -
0.5 us-floz 1 us-qt 1 l - - -
3 us-tsp 2 us-cup 1 us-pt - - -
10 drop 1 us-cup 1 us-qt - - -
1 us-tsp 1 us-qt 12 l 0.95 - -
5 ml 1 l 1 us-gal - - -
1 metric-tsp 1 l 5 l - - -
1 metric-tbsp 5 l 12 l - - -
2 metric-tbsp 1 metric-cup 1 l - - -
1 metric-tsp 1 l 1 imp-gal - - -
5 g 1 l 5 l - - -
7.5 g 1 l 2.4 l 0.95 - -
1 metric-tbsp 4 l 6 l 0.95 - -
30 drop 1 l 500 ml - - -
0.25 metric-cup 10 l 3 l - - -
1 au-tbsp 1 l 5 l - - -
2 au-tbsp 10 l 1.5 l - - -
1 au-tbsp 4.5 l 12 l 0.85 - -
1 imp-floz 1 imp-gal 1 l - - -
2 imp-floz 1 imp-gal 5 l - - -
1 imp-pt 10 imp-gal 1 imp-gal - - -
0.5 imp-floz 1 imp-pt 2 imp-pt - - -
1 oz 1 imp-gal 1 imp-gal - - -
2 oz 5 us-gal 1 us-gal - - -
0.1 kg 100 l 12 l - - -
60 ml 1 l 1 l - 3 3
60 ml 1 l 1 l - 6 3
45 ml 1 l 2 l - 12 3
1 us-cup 1 us-gal 1 us-gal - 3 3
30 ml 1 l 500 ml - 9 3
250 ml 1 l 250 ml - 70 70
10 ml 1 l 12 l - - -
15 ml 1 l 0.1 l - - -
4 us-floz 3 us-gal 2 us-qt - - -
3 g 1 us-gal 3 us-gal 1.1 - -`
  .trim().split('\n').map((r) => r.split(' '))
const text = (x, digits = 9) => {
  const scale = 10n ** BigInt(digits)
  const rounded = (2n * x.n * scale + x.d) / (2n * x.d)
  return `${rounded / scale}.${String(rounded % scale).padStart(digits, '0')}`
}
const lines = [
  'doseAmount,doseUnit,perAmount,perUnit,tankAmount,tankUnit,density,stockPercent,recipePercent,perLitre,needed,unit,finalPercent',
]
for (const [dose, doseUnit, per, perUnit, tank, tankUnit, density, stock, recipe] of rows) {
  const weighed = mass.has(doseUnit) || density !== '-'
  const amount = times(decimal(dose), unit[doseUnit])
  const grams = mass.has(doseUnit) ? amount : density === '-' ? amount : times(amount, decimal(density))
  const perLitre = times(over(weighed ? grams : amount, times(decimal(per), unit[perUnit])), f(1000))
  const litres = over(times(decimal(tank), unit[tankUnit]), f(1000))
  const needed = times(times(perLitre, litres), stock === '-' ? f(1) : over(decimal(recipe), decimal(stock)))
  const final = stock === '-' ? '' : text(over(times(needed, decimal(stock)), times(litres, f(1000))))
  const or = (x) => (x === '-' ? '' : x)
  const told = [dose, doseUnit, per, perUnit, tank, tankUnit, or(density), or(stock), or(recipe)]
  lines.push([...told, text(perLitre), text(needed), weighed ? 'g' : 'ml', final].join(','))
}
writeFileSync(new URL('recipes.csv', import.meta.url), lines.join('\n') + '\n')
