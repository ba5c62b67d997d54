import { PAGE_ID } from './screen';

/** Leads past what every page begins with; seen only when it is reached by keys. */
export function SkipLink() {
  return (
    <a
      href={`#${PAGE_ID}`}
      className="skip"
      onClick={(event) => {
        event.preventDefault();
        document.getElementById(PAGE_ID)?.focus();
      }}
    >
      Skip to the page
    </a>
  );
}
