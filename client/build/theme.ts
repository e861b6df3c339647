import { definePreset } from '@primeuix/themes'
import base from '@primeuix/themes/aura/base'
import autocomplete from '@primeuix/themes/aura/autocomplete'
import badge from '@primeuix/themes/aura/badge'
import button from '@primeuix/themes/aura/button'
import checkbox from '@primeuix/themes/aura/checkbox'
import chip from '@primeuix/themes/aura/chip'
import dialog from '@primeuix/themes/aura/dialog'
import iconfield from '@primeuix/themes/aura/iconfield'
import inputtext from '@primeuix/themes/aura/inputtext'
import multiselect from '@primeuix/themes/aura/multiselect'
import select from '@primeuix/themes/aura/select'
import selectbutton from '@primeuix/themes/aura/selectbutton'
import textarea from '@primeuix/themes/aura/textarea'
import togglebutton from '@primeuix/themes/aura/togglebutton'
import virtualscroller from '@primeuix/themes/aura/virtualscroller'

/** Tokens of the controls that are used here, and of what they are made of. */
const used = {
  ...base,
  components: {
    autocomplete,
    badge,
    button,
    checkbox,
    chip,
    dialog,
    iconfield,
    inputtext,
    multiselect,
    select,
    selectbutton,
    textarea,
    togglebutton,
    virtualscroller,
  },
}

/** PrimeVue's tokens, pointed at our own: see styles/tokens.css. */
export const MauvaisePreset = definePreset(used, {
  primitive: { borderRadius: { none: '0', xs: '3px', sm: '4px', md: '5px', lg: '6px', xl: '6px' } },
  semantic: {
    focusRing: { width: '3px', style: 'solid', color: 'var(--mauve)', offset: '2px' },
    primary: Object.fromEntries(
      [50, 100, 200, 300, 400, 500, 600, 700, 800, 900, 950].map((step) => [step, 'var(--mauve)']),
    ),
    colorScheme: {
      light: {
        primary: {
          color: 'var(--mauve)',
          contrastColor: 'var(--on-mauve)',
          hoverColor: 'var(--mauve-deep)',
          activeColor: 'var(--mauve-deep)',
        },
        text: {
          color: 'var(--ink)',
          hoverColor: 'var(--ink)',
          mutedColor: 'var(--ink-soft)',
          hoverMutedColor: 'var(--ink)',
        },
        content: {
          background: 'var(--surface)',
          hoverBackground: 'var(--mauve-soft)',
          borderColor: 'var(--line)',
          color: 'var(--ink)',
          hoverColor: 'var(--ink)',
        },
        overlay: {
          select: { background: 'var(--surface)', borderColor: 'var(--line)', color: 'var(--ink)' },
          popover: { background: 'var(--surface)', borderColor: 'var(--line)', color: 'var(--ink)' },
          modal: { background: 'var(--surface)', borderColor: 'var(--line)', color: 'var(--ink)' },
        },
        formField: {
          background: 'var(--surface)',
          borderColor: 'var(--ink-soft)',
          hoverBorderColor: 'var(--mauve)',
          focusBorderColor: 'var(--mauve)',
          color: 'var(--ink)',
          placeholderColor: 'var(--ink-soft)',
          invalidBorderColor: 'var(--brick)',
          disabledBackground: 'var(--paper)',
          disabledColor: 'var(--ink-soft)',
        },
        list: {
          option: {
            focusBackground: 'var(--mauve-soft)',
            selectedBackground: 'var(--mauve-soft)',
            selectedFocusBackground: 'var(--mauve-soft)',
            color: 'var(--ink)',
            focusColor: 'var(--ink)',
            selectedColor: 'var(--ink)',
            selectedFocusColor: 'var(--ink)',
          },
        },
      },
    },
  },
  components: {
    button: {
      colorScheme: {
        light: {
          outlined: {
            primary: {
              color: 'var(--mauve-deep)',
              borderColor: 'var(--mauve)',
              hoverBackground: 'var(--mauve-soft)',
              activeBackground: 'var(--mauve-soft)',
            },
          },
          text: {
            primary: {
              color: 'var(--mauve-deep)',
              hoverBackground: 'var(--mauve-soft)',
              activeBackground: 'var(--mauve-soft)',
            },
          },
        },
      },
    },
    togglebutton: {
      colorScheme: {
        light: {
          root: {
            background: 'var(--surface)',
            checkedBackground: 'var(--mauve)',
            hoverBackground: 'var(--mauve-soft)',
            borderColor: 'var(--mauve)',
            checkedBorderColor: 'var(--mauve)',
            color: 'var(--ink)',
            hoverColor: 'var(--ink)',
            checkedColor: 'var(--on-mauve)',
          },
          content: { checkedBackground: 'var(--mauve)' },
        },
      },
    },
  },
})
