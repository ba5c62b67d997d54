interface PrintedTable {
  /** Heading of the sheet. */
  readonly title: string;
  /** One line below it. */
  readonly detail: string;
  readonly columns: readonly string[];
  /** Each with as many cells as there are columns. */
  readonly rows: readonly (readonly string[])[];
}

const CELL = 'border:1px solid #999;padding:4px 6px;text-align:left;vertical-align:top';
const FRAME_NAME = 'printed';

/** Fills an empty page with a table, in words alone: nothing that was entered is read as anything else. */
function fill(page: Document, { title, detail, columns, rows }: PrintedTable): void {
  page.title = title;
  page.body.style.cssText = 'font:12px sans-serif;color:#000;background:#fff';
  const add = (parent: HTMLElement, tag: string, text = '', style = ''): HTMLElement => {
    const made = page.createElement(tag);
    made.textContent = text;
    made.style.cssText = style;
    parent.append(made);
    return made;
  };
  add(page.body, 'h1', title, 'font-size:18px;margin:0 0 4px');
  add(page.body, 'p', detail, 'margin:0 0 10px');
  const table = add(page.body, 'table', '', 'border-collapse:collapse;width:100%');
  const head = add(add(table, 'thead'), 'tr');
  for (const column of columns) add(head, 'th', column, CELL);
  const body = add(table, 'tbody');
  for (const row of rows) {
    const line = add(body, 'tr', '', 'break-inside:avoid');
    for (const cell of row) add(line, 'td', cell, CELL);
  }
}

/** Prints a table on sheets of its own, without what stands round it on the page. Must be called from a press. */
export function printTable(table: PrintedTable): void {
  document.querySelector(`iframe[name="${FRAME_NAME}"]`)?.remove();
  const frame = document.createElement('iframe');
  frame.name = FRAME_NAME;
  frame.title = table.title;
  frame.ariaHidden = 'true';
  frame.tabIndex = -1;
  frame.style.cssText = 'position:fixed;width:0;height:0;border:0;visibility:hidden';
  document.body.append(frame);
  if (frame.contentDocument !== null) fill(frame.contentDocument, table);
  frame.contentWindow?.print();
}
