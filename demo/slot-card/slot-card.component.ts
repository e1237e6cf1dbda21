import { Component, computed, input, output, signal } from '@angular/core';

@Component({
  selector: 'yard-slot-card',
  templateUrl: './slot-card.component.html',
  styles: `
    .state { color: #a9b7be; background: #ffffff; }
  `,
})
export class SlotCardComponent {
  readonly slot = input.required<string>();
  readonly taken = input(false);
  readonly book = output<string>();
  readonly open = signal(false);
  readonly title = computed(() => `Slot ${this.slot()}`);
}
