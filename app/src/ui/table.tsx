import { useRouter, type Href } from 'expo-router';
import { useMemo, useState, type ReactNode } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import Icon from './icon-font/icon-set';
import { LinkArea } from './link-area';
import { LongList } from './long-list';
import { Text } from './text';
import { usePalette } from './theme';
import { CORNER, space } from './tokens';

/** A column of a table, by which its lines can be sorted. */
export interface Column<Line> {
  readonly label: string;
  /** Its share of the width. */
  readonly flex: number;
  readonly isRight?: true;
  readonly sortBy: (line: Line) => string | number;
  readonly cell: (line: Line) => ReactNode;
}

/** The first column: what a line is called, and what is said of it below its name. */
export interface NameColumn<Line> {
  readonly label: string;
  readonly flex: number;
  readonly nameOf: (line: Line) => string;
  readonly belowName: (line: Line) => string;
}

interface TableProps<Line> {
  /** What the lines are, for those who do not see it. */
  readonly label: string;
  /** What the lines are called together, as in “Show all 200 areas”. */
  readonly what: string;
  /** Names are the links that lead where their lines lead. */
  readonly name: NameColumn<Line>;
  /** From left to right. */
  readonly columns: readonly Column<Line>[];
  /** From top to bottom. */
  readonly lines: readonly Line[];
  /** By which a line is known again. */
  readonly keyOf: (line: Line) => string;
  /** Where a line leads. */
  readonly hrefOf: (line: Line) => Href;
  /** The line that leads to where one is. */
  readonly isHere?: (line: Line) => boolean;
  /** Until somebody sorts them, lines stand in the order that they come in, not by name. */
  readonly isInOrder?: boolean;
}

/** By which column lines are sorted; null as long as they stand in the order that they came in. */
interface Sorting {
  readonly column: number | null;
  readonly isDescending: boolean;
}

function nameColumn<Line>({ label, flex, nameOf, belowName }: NameColumn<Line>): Column<Line> {
  return {
    label,
    flex,
    sortBy: (line) => nameOf(line).toLowerCase(),
    cell: (line) => (
      <Text look="small" tone="soft" numberOfLines={2}>
        {belowName(line)}
      </Text>
    ),
  };
}

function compare(left: string | number, right: string | number): number {
  return typeof left === 'number' && typeof right === 'number'
    ? left - right
    : String(left).localeCompare(String(right));
}

/** Lines side by side with their figures below each other, sorted by any column; each line leads somewhere. */
export function Table<Line>(props: TableProps<Line>) {
  const { label, what, name, columns, lines, keyOf, hrefOf, isHere, isInOrder = false } = props;
  const all = useMemo(() => [nameColumn(name), ...columns], [name, columns]);
  const router = useRouter();
  const palette = usePalette();
  const [sorting, setSorting] = useState<Sorting>({ column: isInOrder ? null : 0, isDescending: false });
  const sorted = useMemo(() => {
    const by = sorting.column === null ? undefined : all[sorting.column];
    if (by === undefined) return lines;
    const keyed = lines.map((line) => ({ line, key: by.sortBy(line) }));
    const ascending = keyed.sort((a, b) => compare(a.key, b.key)).map(({ line }) => line);
    return sorting.isDescending ? ascending.reverse() : ascending;
  }, [lines, all, sorting]);
  const press = (column: number): void =>
    setSorting({ column, isDescending: sorting.column === column && !sorting.isDescending });
  const withHead = (rows: ReactNode) => (
    <View
      role="table"
      aria-label={label}
      style={[styles.table, { borderColor: palette.line, backgroundColor: palette.card }]}
    >
      <View role="row" style={[styles.row, { borderBottomColor: palette.line }]}>
        {all.map((column, i) => {
          const isSorted = sorting.column === i;
          const direction = sorting.isDescending ? 'descending' : 'ascending';
          return (
            <View
              key={column.label}
              role="columnheader"
              aria-sort={isSorted ? direction : 'none'}
              style={{ flex: column.flex }}
            >
              <Pressable
                role="button"
                aria-label={`Sort by ${column.label}`}
                onPress={() => press(i)}
                style={[styles.head, column.isRight && styles.headRight]}
              >
                <Text look="small" tone={isSorted ? 'ink' : 'soft'}>
                  {column.label}
                </Text>
                {isSorted && (
                  <Icon
                    name={sorting.isDescending ? 'chevron-down' : 'chevron-up'}
                    size={16}
                    color={palette.ink}
                  />
                )}
              </Pressable>
            </View>
          );
        })}
      </View>
      {rows}
    </View>
  );
  return (
    <LongList items={sorted} what={what} wrap={withHead}>
      {(line) => {
        const here = isHere?.(line) ?? false;
        return (
          <Pressable
            key={keyOf(line)}
            role="row"
            // The name is what keys reach; a mouse may press anywhere in the row.
            focusable={false}
            onPress={() => router.navigate(hrefOf(line))}
            style={({ hovered }: { pressed: boolean; hovered?: boolean }) => [
              styles.row,
              styles.body,
              { borderBottomColor: palette.line, borderLeftColor: here ? palette.lake : 'transparent' },
              (hovered === true || here) && { backgroundColor: palette.lakeTint },
            ]}
          >
            {all.map((column, i) => (
              <View
                key={column.label}
                role="cell"
                style={[styles.cell, { flex: column.flex }, column.isRight && styles.right]}
              >
                {i === 0 && (
                  <LinkArea href={hrefOf(line)} isHere={here}>
                    <Text look="strong" numberOfLines={2}>
                      {name.nameOf(line)}
                    </Text>
                  </LinkArea>
                )}
                {column.cell(line)}
              </View>
            ))}
          </Pressable>
        );
      }}
    </LongList>
  );
}

const styles = StyleSheet.create({
  table: { borderWidth: 1, borderRadius: CORNER },
  row: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.l,
    paddingHorizontal: space.m,
    borderBottomWidth: 1,
    borderLeftWidth: 4,
    borderLeftColor: 'transparent',
  },
  body: { minHeight: 64, paddingVertical: space.s },
  head: { minHeight: 48, flexDirection: 'row', alignItems: 'center', gap: 2 },
  headRight: { justifyContent: 'flex-end' },
  cell: { minWidth: 0 },
  right: { alignItems: 'flex-end' },
});
