import type { Provider } from '@angular/core';
import { MAT_FORM_FIELD_DEFAULT_OPTIONS } from '@angular/material/form-field';
import { MAT_SELECT_CONFIG } from '@angular/material/select';

/**
 * How every field behaves. Given by each field itself: given by the app they would pull all of Material's fields into the
 * first load, and given by a place they would not reach dialogs.
 */
export const FIELD_DEFAULTS: readonly Provider[] = [
  {
    provide: MAT_FORM_FIELD_DEFAULT_OPTIONS,
    useValue: {
      appearance: 'outline',
      floatLabel: 'always',
      subscriptSizing: 'dynamic',
      hideRequiredMarker: true,
    },
  },
  { provide: MAT_SELECT_CONFIG, useValue: { hideSingleSelectionIndicator: true } },
];
