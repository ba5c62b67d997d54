import type {
  FieldsSchema,
  ListSchema,
  Member,
  NamedSchema,
  OptionSchema,
  Schema,
  TextSchema,
} from '@calvet/core/schema';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button } from '../../ui/button';
import { Rule } from '../../ui/card';
import { FieldGrid, FieldMessage, TextField } from '../../ui/field';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';
import { emptyOf, filledDown, isFields, nextItem, type Draft, type DraftFields, type Path } from './draft';
import { Figure, OneOf, useForm } from './form-fields';
import { itemOf, itemTitle, labelOf, oneOf, quantityOf } from './member-words';

const wordsOf = ({ values, words }: OptionSchema) => ({ values, words });

/** What is written at a place of the form: a name, or a day. */
function Written({
  label,
  schema,
  path,
  value,
}: {
  readonly label: string;
  readonly schema: TextSchema;
  readonly path: Path;
  readonly value: Draft | undefined;
}) {
  const form = useForm();
  return (
    <TextField
      label={schema.format === 'day' ? `${label}, YYYY-MM-DD` : label}
      value={typeof value === 'string' ? value : ''}
      maxLength={60}
      message={form.messageAt(path)}
      onChange={(text) => form.change(path, text)}
    />
  );
}

interface MemberProps {
  readonly member: Member;
  readonly path: Path;
  readonly siblings: DraftFields;
  readonly onPasteColumn?: (name: string, si: readonly number[]) => void;
}

function MemberField({ member, path, siblings, onPasteColumn }: MemberProps) {
  const { name, schema, optional } = member;
  const value = siblings[name] ?? null;
  const label = labelOf(member);
  switch (schema.kind) {
    case 'number':
      return (
        <Figure
          label={label}
          quantity={quantityOf(schema, siblings)}
          path={path}
          value={typeof value === 'number' ? value : null}
          onPasteColumn={onPasteColumn === undefined ? undefined : (si) => onPasteColumn(name, si)}
        />
      );
    case 'text':
      return <Written label={label} schema={schema} path={path} value={value} />;
    case 'option':
      return <OneOf label={label} path={path} {...wordsOf(schema)} value={value} optional={optional} />;
    case 'boolean':
      return <OneOf label={label} path={path} values={[true, false]} value={value} optional={optional} />;
    case 'list':
    case 'fields':
    case 'named':
      return <Part name={name} schema={schema} path={path} draft={value} optional={optional} />;
  }
}

const isShort = ({ kind }: Schema): boolean => kind === 'number' || kind === 'text';

/** Members side by side where they are short, in the order of the schema. */
function inRows(members: readonly Member[]): readonly (readonly Member[])[] {
  const rows: Member[][] = [];
  for (const member of members) {
    const last = rows.at(-1);
    if (last !== undefined && isShort(member.schema) && last.every(({ schema }) => isShort(schema))) {
      last.push(member);
    } else rows.push([member]);
  }
  return rows;
}

interface FieldsPartProps {
  readonly schema: FieldsSchema;
  readonly path: Path;
  readonly draft: DraftFields;
  readonly onPasteColumn?: (name: string, si: readonly number[]) => void;
}

/** The members of an object; those that may be left out wait behind a button. */
export function FieldsPart({ schema, path, draft, onPasteColumn }: FieldsPartProps) {
  const form = useForm();
  const [isOpen, setOpen] = useState(false);
  const shown = schema.members.filter(({ name, optional }) => !optional || name in draft);
  const waiting = schema.members.filter((member) => !shown.includes(member));
  return (
    <View style={styles.part}>
      {inRows(shown).map((row) => {
        const fields = row.map((member) => (
          <MemberField
            key={member.name}
            member={member}
            path={[...path, member.name]}
            siblings={draft}
            onPasteColumn={onPasteColumn}
          />
        ));
        const key = row.map(({ name }) => name).join();
        return row.every((member) => isShort(member.schema)) ? (
          <FieldGrid key={key}>{fields}</FieldGrid>
        ) : (
          <View key={key}>{fields}</View>
        );
      })}
      {waiting.length > 0 && (
        <View style={styles.buttons}>
          {isOpen ? (
            waiting.map((member) => (
              <Button
                key={member.name}
                icon="plus"
                label={labelOf(member)}
                onPress={() => form.change([...path, member.name], emptyOf(member.schema))}
              />
            ))
          ) : (
            <Button kind="quiet" icon="chevron-down" label="More inputs" onPress={() => setOpen(true)} />
          )}
        </View>
      )}
    </View>
  );
}

function Figures({ name, schema, path, draft }: PartOf<ListSchema>) {
  const form = useForm();
  const list = { name, schema };
  const items = Array.isArray(draft) ? (draft as readonly Draft[]) : [];
  return (
    <View style={styles.part}>
      <FieldGrid>
        {items.map((item, i) => (
          <Figure
            key={i}
            label={itemTitle(list, i)}
            quantity={quantityOf(schema.item, null)}
            path={[...path, i]}
            value={typeof item === 'number' ? item : null}
            onPasteColumn={(si) => form.change(path, filledDown(schema, items, i, null, si))}
          />
        ))}
      </FieldGrid>
      <View style={styles.buttons}>
        <Button
          kind="quiet"
          icon="plus"
          label={`Add ${oneOf(list)}`}
          onPress={() => form.change(path, [...items, null])}
        />
        {items.length > Math.max(1, schema.least) && (
          <Button
            kind="quiet"
            icon="minus"
            label="Take the last away"
            onPress={() => form.change(path, items.slice(0, -1))}
          />
        )}
      </View>
    </View>
  );
}

function Items({ name, schema, path, draft }: PartOf<ListSchema>) {
  const form = useForm();
  const items = Array.isArray(draft) ? (draft as readonly Draft[]) : [];
  const list = { name, schema };
  const { item } = schema;
  const hasFixedLength = schema.least === schema.most;
  return (
    <View style={styles.part}>
      {items.map((each, i) => (
        <View key={i} role="group" aria-label={itemTitle(list, i)} style={styles.part}>
          <View style={styles.head}>
            <Text look="strong">{itemTitle(list, i)}</Text>
            {items.length > schema.least && !hasFixedLength && (
              <Button
                kind="quiet"
                iconOnly
                icon="close"
                label={`Take away ${itemTitle(list, i).toLowerCase()}`}
                onPress={() => form.change([...path, i], undefined)}
              />
            )}
          </View>
          <FieldMessage message={form.messageAt([...path, i])} />
          {item.kind === 'fields' && isFields(each) ? (
            <FieldsPart
              schema={item}
              path={[...path, i]}
              draft={each}
              onPasteColumn={(member, si) => form.change(path, filledDown(schema, items, i, member, si))}
            />
          ) : item.kind === 'list' ? (
            <ListPart name={name} schema={item} path={[...path, i]} draft={each} />
          ) : item.kind === 'option' ? (
            <OneOf
              label={itemTitle(list, i)}
              path={[...path, i]}
              {...wordsOf(item)}
              value={each}
              optional={false}
            />
          ) : item.kind === 'text' ? (
            <Written
              label={item.format === 'day' ? 'Day' : 'Name'}
              schema={item}
              path={[...path, i]}
              value={each}
            />
          ) : null}
          {i < items.length - 1 && <Rule />}
        </View>
      ))}
      {items.length < schema.most && (
        <View style={styles.buttons}>
          <Button
            icon="plus"
            label={`Add ${oneOf(list)}`}
            onPress={() => form.change(path, [...items, nextItem(schema, items)])}
          />
        </View>
      )}
    </View>
  );
}

function ListPart(props: PartOf<ListSchema>) {
  return props.schema.item.kind === 'number' ? <Figures {...props} /> : <Items {...props} />;
}

/** Figures that go by names of the person's own choice. */
function Named({ name, schema, path, draft }: PartOf<NamedSchema>) {
  const form = useForm();
  const [next, setNext] = useState('');
  const known = isFields(draft) ? draft : {};
  const list = { name, schema };
  return (
    <View style={styles.part}>
      <FieldGrid>
        {Object.entries(known).map(([key, value]) => (
          <Figure
            key={key}
            label={key}
            quantity={quantityOf(schema.item, null)}
            path={[...path, key]}
            value={typeof value === 'number' ? value : null}
            onLeaveEmpty={() => form.change([...path, key], undefined)}
          />
        ))}
      </FieldGrid>
      <TextField label={`Name of the next ${itemOf(list)}`} value={next} onChange={setNext} maxLength={60} />
      <View style={styles.buttons}>
        <Button
          icon="plus"
          label={`Add ${oneOf(list)}`}
          disabled={next.trim() === '' || next in known}
          onPress={() => {
            form.change([...path, next.trim()], null);
            setNext('');
          }}
        />
      </View>
    </View>
  );
}

interface PartOf<Kind extends Schema> {
  readonly name: string;
  readonly schema: Kind;
  readonly path: Path;
  readonly draft: Draft;
}

type PartProps = PartOf<FieldsSchema | ListSchema | NamedSchema> & { readonly optional: boolean };

/** A part of the form under its own heading. */
function Part({ name, schema, path, draft, optional }: PartProps) {
  const form = useForm();
  return (
    <View role="group" aria-label={labelOf({ name, schema })} style={styles.group}>
      <Rule />
      <View style={styles.head}>
        <Text look="section" level={3}>
          {labelOf({ name, schema })}
        </Text>
        {optional && <Button kind="quiet" label="Leave out" onPress={() => form.change(path, undefined)} />}
      </View>
      <FieldMessage message={form.messageAt(path)} />
      {schema.kind === 'fields' && (
        <FieldsPart schema={schema} path={path} draft={isFields(draft) ? draft : {}} />
      )}
      {schema.kind === 'list' && <ListPart name={name} schema={schema} path={path} draft={draft} />}
      {schema.kind === 'named' && <Named name={name} schema={schema} path={path} draft={draft} />}
    </View>
  );
}

const styles = StyleSheet.create({
  part: { gap: space.m },
  group: { gap: space.m, marginTop: space.xs },
  head: { flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between', gap: space.s },
  buttons: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
