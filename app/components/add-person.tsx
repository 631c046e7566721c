import { Form as AntForm, Input, Select } from 'antd';
import { Dialog } from './dialog.tsx';
import { useZones } from './use-zones.ts';

interface AddPersonProps {
  readonly open: boolean;
  readonly busy: boolean;
  readonly errors: Record<string, string>;
  readonly joinedOn: string;
  readonly onClose: () => void;
  readonly onAdd: (values: Record<string, string>) => void;
}

/** Asks for a new person, each wrong field named where it is. */
export function AddPerson({ open, busy, errors, joinedOn, onClose, onAdd }: AddPersonProps) {
  const zones = useZones();
  const [form] = AntForm.useForm<Record<string, string>>();
  const help = (name: string) => (errors[name] ? { validateStatus: 'error' as const, help: errors[name] } : {});
  return (
    <Dialog
      open={open}
      title="Add a person"
      okText="Add and make a link"
      onCancel={onClose}
      onOk={() => form.submit()}
      busy={busy}
    >
      <AntForm
        form={form}
        layout="vertical"
        requiredMark={false}
        initialValues={{ joinedOn }}
        onFinish={(v) =>
          onAdd({ name: v.name ?? '', detail: v.detail ?? '', timeZone: v.timeZone ?? '', joinedOn: v.joinedOn ?? '' })
        }
      >
        <AntForm.Item name="name" label="Name" {...help('name')}>
          <Input maxLength={80} autoComplete="off" />
        </AntForm.Item>
        <AntForm.Item name="detail" label="Instrument, branch or team" {...help('detail')}>
          <Input maxLength={80} autoComplete="off" />
        </AntForm.Item>
        <div className="two-fields">
          <AntForm.Item name="timeZone" label="Time zone" {...help('timeZone')}>
            <Select showSearch options={zones.map((z) => ({ value: z, label: z.replaceAll('_', ' ') }))} />
          </AntForm.Item>
          <AntForm.Item name="joinedOn" label="In it since" {...help('joinedOn')}>
            <Input type="date" />
          </AntForm.Item>
        </div>
      </AntForm>
    </Dialog>
  );
}
