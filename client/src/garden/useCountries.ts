import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { answer, api } from '@/api/client'
import { tell, writing } from '@/language'
import { keys } from './useGarden'

/** Whoever lives in none that is listed. */
const elsewhere = 'ZZ'

/** A country as the language that is spoken calls it, by the two letters of ISO 3166. */
export const nameOfCountry = (code: string): string =>
  code === elsewhere
    ? tell('setup.elsewhere')
    : (new Intl.DisplayNames([writing()], { type: 'region' }).of(code) ?? code)

/** Countries by name, with what their households mostly read; the last is for anywhere else, and stands for all that are not listed. */
export function useCountries() {
  const { data } = useQuery({
    queryKey: keys.catalogue('countries'),
    queryFn: () => answer(api.GET('/api/catalogue/countries')),
    staleTime: Infinity,
  })
  const order = new Intl.Collator(writing())
  const countries = computed(() =>
    (data.value ?? [])
      .map((c) => ({ ...c, name: nameOfCountry(c.code) }))
      .sort((a, b) => +(a.code === elsewhere) - +(b.code === elsewhere) || order.compare(a.name, b.name)),
  )
  const countryOf = (code: string) => countries.value.find((c) => c.code === code) ?? countries.value.at(-1)
  return { countries, countryOf }
}
