import { byKind, CHANGE_OPS, type Author, type ChangeOp, type Kind, type LedgerKey } from '@calvet/contract';

/** What may be done to records of a kind. */
export type Deed = ChangeOp | 'see';

/** What rights are about: records of a kind, or computations, which are seen. */
export type Matter = Kind | 'computation';

/** `all` may do everything; `none` nothing: to them nothing is there. */
export type Role = 'all' | 'none';

/** Whoever asks for something. */
export interface Principal {
  /** By name, from which device, and when. */
  readonly who: Author;
  /** Id of the practice that they work for. */
  readonly practice: string;
  readonly role: Role;
}

type Rights = Readonly<Record<Matter, readonly Deed[]>>;

const over = (deeds: readonly Deed[]): Rights => ({ ...byKind(() => deeds), computation: deeds });

/** The one table of rights: what each role may do, by kind. */
const RIGHTS: Readonly<Record<Role, Rights>> = {
  all: { ...over(['see', ...CHANGE_OPS]), practice: ['see', 'create', 'update'] },
  none: over([]),
};

/** True where somebody may do something to records of a kind. */
export const may = ({ role }: Principal, deed: Deed, matter: Matter): boolean =>
  RIGHTS[role][matter].includes(deed);

/** True where a ledger is there for somebody: houses that they may see, and the practice that they work for. */
export const mayOpen = (principal: Principal, { id, kind }: LedgerKey): boolean =>
  may(principal, 'see', kind) && (kind === 'house' || id === principal.practice);
