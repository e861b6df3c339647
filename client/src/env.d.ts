/// <reference types="vite/client" />
import 'vue-router'

declare module 'vue-router' {
  interface RouteMeta {
    title?: string
    /** Without the top bar: before there is a garden. */
    bare?: boolean
  }
}
