import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { optionNow, valueNow, type Setting } from '@veldrift/core/games';
import { FactsField } from './FactsField.tsx';

/** A rule of a game, or a choice of a sheet, to be set. */
export function SettingField({
  setting,
  rules,
  onChange,
}: {
  readonly setting: Setting;
  readonly rules: object;
  readonly onChange: (value: unknown) => void;
}) {
  const value = valueNow(setting, rules);
  if (setting.kind === 'number')
    return (
      <TextField
        label={`${setting.label}, ${setting.least} to ${setting.most}`}
        value={typeof value === 'number' ? value : ''}
        onChange={(event) => {
          const text = event.target.value.replace(/\D/g, '').slice(0, 4);
          onChange(text === '' ? null : Number(text));
        }}
        slotProps={{ htmlInput: { inputMode: 'numeric' } }}
      />
    );
  if (setting.kind === 'one')
    return (
      <TextField
        select
        label={setting.label}
        value={optionNow(setting, rules)?.key ?? 'step'}
        onChange={(event) =>
          onChange(setting.options.find((one) => one.key === event.target.value)?.value ?? value)
        }
      >
        {!optionNow(setting, rules) && <MenuItem value="step">as the step has it</MenuItem>}
        {setting.options.map((one) => (
          <MenuItem key={one.key} value={one.key}>
            {one.says}
          </MenuItem>
        ))}
      </TextField>
    );
  if (setting.kind === 'facts')
    return <FactsField setting={setting} value={value} onChange={(facts) => onChange(facts ?? [])} />;
  const on = new Set((Array.isArray(value) ? (value as unknown[]) : []).map((one) => JSON.stringify(one)));
  return (
    <fieldset>
      <legend>{setting.label}</legend>
      <ToggleButtonGroup
        value={[...on]}
        onChange={(_, keys: string[]) =>
          onChange(setting.options.filter((one) => keys.includes(one.key)).map((one) => one.value))
        }
        aria-label={setting.label}
      >
        {setting.options.map((one) => (
          <ToggleButton key={one.key} value={one.key}>
            {one.says}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
    </fieldset>
  );
}
