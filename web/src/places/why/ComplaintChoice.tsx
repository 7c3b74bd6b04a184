import { COMPLAINTS, COMPLAINTS_OF, type ComplaintId, type FaultyKind } from '@morning-crock/core';
import { Button } from '@mantine/core';
import { useState } from 'react';
import { Choices } from '../../parts/fields/Choices.tsx';

/** What is complained of, by kind of thing, in words. */
const KIND_WORDS: Readonly<Record<FaultyKind, string>> = {
  milk: 'Yogurt, cultured milk',
  cream: 'Cream',
  butter: 'Butter',
  ghee: 'Ghee',
  curd: 'Curd, cheese',
  kefir: 'Kefir',
  culture: 'Culture',
};

/** The complaint: what it is about where there is a choice, then what is wrong with it; chosen, it is one line. */
export function ComplaintChoice(props: {
  readonly kinds: readonly FaultyKind[];
  readonly complaint: ComplaintId | null;
  readonly onComplaint: (complaint: ComplaintId, kind: FaultyKind) => void;
}) {
  const { kinds, complaint, onComplaint } = props;
  const [open, setOpen] = useState(false);
  const [kind, setKind] = useState(kinds[0]!);
  if (complaint !== null && !open)
    return (
      <div className="row">
        <p className="serif larger complaint-chosen">{COMPLAINTS[complaint].label}</p>
        <Button variant="default" onClick={() => setOpen(true)}>
          Change complaint
        </Button>
      </div>
    );
  return (
    <div className="column">
      {kinds.length > 1 && (
        <Choices
          legend="What is it about?"
          value={kind}
          options={kinds.map((value) => ({ value, label: KIND_WORDS[value] }))}
          onChange={setKind}
        />
      )}
      <section aria-label="What is wrong with it?">
        <h2>What is wrong with it?</h2>
        <div className="complaints">
          {COMPLAINTS_OF[kind].map((id) => (
            <Button
              key={id}
              variant="default"
              h={56}
              aria-pressed={id === complaint}
              onClick={() => {
                setOpen(false);
                onComplaint(id, kind);
              }}
            >
              {COMPLAINTS[id].label}
            </Button>
          ))}
        </div>
      </section>
    </div>
  );
}
