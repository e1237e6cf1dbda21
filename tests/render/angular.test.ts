import path from "node:path";
import { describe, expect, test } from "vitest";
import { indexDocument } from "../../src/core/document/document-index.ts";
import type { MountedResult } from "../../src/render/protocol.ts";
import { bundled, mounted, projectIn, told } from "./specimen-project.ts";

const packages = (version: number): string =>
  path.resolve(import.meta.dirname, `projects/angular-${version}`);

/** What comes of the specimens of a project, by their names. */
async function seen(
  version: number,
  file: string,
  files: Readonly<Record<string, string>>,
  shown: readonly string[] = [],
) {
  const names = `{"dependencies":{"@angular/core":"^${version}.0.0"}}`;
  const folder = projectIn(packages(version), { "package.json": names, ...files });
  const { bundle, broken } = await bundled(folder, [file]);
  expect([...broken]).toEqual([]);
  return mounted(folder, file, bundle!, { shown });
}

/** The ways by which the elements of a kind came into what is shown: components, the outermost first. */
const waysOf = (tag: string, { page }: MountedResult): readonly string[] =>
  indexDocument(page!.document)
    .byTag(tag)
    .map(({ components }) => components.map(({ name }) => name).join(" › "));

const page = `<h2>{{ slip() }}</h2>
<button #opener type="button" (click)="isOpen.set(true)">Book</button>
<ng-content />
@if (isOpen()) {
  <div role="dialog" aria-modal="true" aria-label="Book" class="panel" (keydown.escape)="close()">
    <label>Boat <input [(ngModel)]="boat" autofocus #first /></label>
    <p class="note">Ten a night</p>
    <button type="button" (click)="save()">Save</button>
  </div>
}
@for (tide of service.tides; track tide) {
  <app-tide [at]="tide" />
}
`;

const standalone = {
  "src/tide.ts": `import { Component, Input } from "@angular/core";

@Component({ selector: "app-tide", template: \`
  <span>{{ at }}</span> <img src="tide.png">
\` })
export class Tide {
  @Input({ required: true }) at!: string;
}
`,
  "src/slips.ts": `import { DOCUMENT, Injectable, Inject, Injector } from "@angular/core";

@Injectable({ providedIn: "root" })
export class Slips {
  readonly tides = ["07:10", "13:40"];
  constructor(private readonly injector: Injector, @Inject(DOCUMENT) readonly document: Document) {}
  save(boat: string) { return Promise.resolve(this.injector === undefined ? "" : boat); }
}
`,
  "src/slip-dialog.ts": `import { Component, effect, ElementRef, inject, input, output, signal, viewChild } from "@angular/core";
import { FormsModule } from "@angular/forms";
import { Slips } from "./slips";
import { Tide } from "./tide";

@Component({ selector: "app-slip-dialog", imports: [FormsModule, Tide], templateUrl: "./slip-dialog.html", styleUrl: "./slip-dialog.css" })
export class SlipDialog {
  readonly slip = input.required<string>({ alias: "berth" });
  readonly saved = output<string>();
  protected readonly isOpen = signal(false);
  protected readonly opener = viewChild.required<ElementRef<HTMLButtonElement>>("opener");
  protected readonly first = viewChild<ElementRef<HTMLInputElement>>("first");
  protected readonly service = inject(Slips);
  protected boat = "";

  constructor() {
    effect(() => this.first()?.nativeElement.focus());
  }

  protected close() {
    this.isOpen.set(false);
    this.opener().nativeElement.focus();
  }

  protected async save() {
    this.saved.emit(await this.service.save(this.boat));
    this.close();
  }
}
`,
  "src/slip-dialog.html": page,
  "src/slip-dialog.css": `:host { display: block; background: #fff; }
.note { color: #bbb; }
`,
  "src/slip-dialog.specimen.ts": `import { Component } from "@angular/core";
import { specimen } from "even-keel/specimen";
import { SlipDialog } from "./slip-dialog";

@Component({ imports: [SlipDialog], template: "<main><app-slip-dialog berth='Slip 9'><em>Mind the mud</em></app-slip-dialog></main>" })
class Host {}

specimen("alone", () => ({ component: SlipDialog, inputs: { berth: "Slip 4" }, outputs: { saved: () => {} }, content: "<em>Mind the mud</em>" }));
specimen("in a page", () => Host);
specimen("mistyped", () => ({ component: SlipDialog, inputs: { slips: "Slip 4" } }));
specimen("half drawn", () => SlipDialog);
`,
};

const declared = {
  "src/slip.module.ts": `import { CommonModule } from "@angular/common";
import { NgModule } from "@angular/core";
import { ReactiveFormsModule } from "@angular/forms";
import { FirstFocus, HighWater, SlipList, Slips } from "./slip-list.component";

@NgModule({ imports: [CommonModule, ReactiveFormsModule], declarations: [SlipList, FirstFocus, HighWater], providers: [Slips] })
export class SlipModule {}
`,
  "src/slip-list.component.ts": `import { AfterViewInit, Component, Directive, ElementRef, EventEmitter, HostListener, Injectable, Input, Output, Pipe } from "@angular/core";
import { FormBuilder, Validators } from "@angular/forms";

@Injectable()
export class Slips { readonly all = ["Slip 1"]; }

@Pipe({ name: "highWater" })
export class HighWater { transform(value: string) { return value + " at high water"; } }

@Directive({ selector: "[appFirstFocus]" })
export class FirstFocus implements AfterViewInit {
  constructor(private element: ElementRef<HTMLElement>) {}
  ngAfterViewInit() { this.element.nativeElement.focus(); }
}

@Component({
  selector: "app-slip-list",
  template: \`
    <ul><li *ngFor="let slip of slips.all"><button type="button" (click)="open = slip">{{ slip | highWater }}</button></li></ul>
    <div *ngIf="open" role="dialog" aria-modal="true" [attr.aria-label]="open">
      <form [formGroup]="form" (ngSubmit)="book()"><input formControlName="boat" appFirstFocus /><button>Book</button></form>
    </div>
  \`,
})
export class SlipList {
  @Output() readonly booked = new EventEmitter<string>();
  @Input() open: string | null = null;
  readonly form = this.builder.group({ boat: ["", Validators.required] });
  constructor(readonly slips: Slips, private builder: FormBuilder) {}
  @HostListener("document:keydown.escape") close() { this.open = null; }
  book() { if (this.form.valid) this.close(); }
}
`,
  "src/slip-list.specimen.ts": `import { specimen } from "even-keel/specimen";
import { SlipList } from "./slip-list.component";

specimen("slip list", () => ({ component: SlipList }));
specimen("open", () => ({ component: SlipList, inputs: { open: "Slip 1" } }));
`,
};

const overlay = {
  "src/booking.ts": `import { Dialog, DialogRef } from "@angular/cdk/dialog";
import { Component, inject } from "@angular/core";

@Component({ template: "<h2 id='title'>Book a slip</h2><label>Boat <input /></label> <button (click)='close()'>Close</button>" })
export class Booking {
  private readonly shown = inject(DialogRef);
  protected close() { this.shown.close(); }
}

@Component({ template: "<button (click)='open()'>Book a slip</button>" })
export class BookingPage {
  private readonly dialog = inject(Dialog);
  protected open() { this.dialog.open(Booking, { ariaLabelledBy: "title" }); }
}
`,
  "src/booking.specimen.ts": `import { specimen } from "even-keel/specimen";
import { BookingPage } from "./booking";

specimen("booking", () => BookingPage);
`,
};

describe("specimens of Angular", () => {
  test("20: components of their own, with signals, templates and styles in files, and what is put into them", async () => {
    const results = await seen(20, "src/slip-dialog.specimen.ts", standalone, ["in a page"]);
    const [alone, inPage, mistyped] = ["alone", "in a page", "mistyped"].map((name) => results.get(name)!);
    expect([alone!.failure, alone!.problems]).toEqual([null, []]);
    expect(told(alone!)).toEqual([
      "contrast.text src/slip-dialog.html <p> by SlipDialog",
      "keys.dialog-keeps-focus src/slip-dialog.html <div> by SlipDialog",
      "names.image-described src/tide.ts <img> by SlipDialog › Tide",
    ]);
    const pale = alone!.findings.find(({ check }) => check === "contrast.text")!;
    const { file, start, end } = pale.origins[0]!.source;
    expect([file, standalone["src/slip-dialog.css"].slice(start, end)]).toEqual([
      "src/slip-dialog.css",
      "color: #bbb",
    ]);
    expect(page.slice(pale.source!.start, pale.source!.end)).toBe('<p class="note">');
    expect(waysOf("img", inPage!)).toEqual(Array(2).fill("Host › SlipDialog › Tide"));
    expect(waysOf("em", inPage!)).toEqual(["Host"]);
    expect(mistyped!.failure).toMatch(/^the component has no input "slips"; it has berth/);
    expect(results.get("half drawn")!.failure).toMatch(/is required/);
  });

  test("17: components of a module that they do not name, with its pipes, directives and services", async () => {
    const results = await seen(17, "src/slip-list.specimen.ts", declared, ["open"]);
    const [closed, open] = [results.get("slip list")!, results.get("open")!];
    expect([closed.failure, closed.problems, open.failure]).toEqual([null, [], null]);
    expect(told(closed)).toEqual([
      "keys.dialog-gives-back src/slip-list.component.ts <button> by SlipList",
      "keys.dialog-keeps-focus src/slip-list.component.ts <div> by SlipList",
      "names.control-labelled src/slip-list.component.ts <input> by SlipList",
    ]);
    expect(waysOf("input", open)).toEqual(["SlipList"]);
  });

  test("20: a dialog that a kit lays over the page, used rightly", async () => {
    const results = await seen(20, "src/booking.specimen.ts", overlay);
    const { failure, problems, steps, findings } = results.get("booking")!;
    expect([failure, problems, findings.filter(({ outcome }) => outcome === "failed")]).toEqual([
      null,
      [],
      [],
    ]);
    expect(steps.map(({ to }) => to?.heard ?? null)).toEqual(['"Book a slip" button', null]);
  });
});
