import { Button, Menu, TextInput } from "@mantine/core";
import { moduleLibrary } from "@/contracts/module-library";
import { moduleSchema } from "@/contracts/site";
import { type ModuleDoubt, moduleDoubts } from "@/core/module";
import { NumberField } from "@/features/kit/fields/NumberField";
import chapter from "@/features/kit/look/Chapter.module.css";
import { measure, number, percent } from "@/wording/format";
import { say } from "@/wording/screens/site";
import { Estimates } from "./Estimates";
import { OpenNumber, OpenPercent, PercentInput } from "./fields";
import { MatrixField } from "./MatrixField";
import styles from "./SiteChapter.module.css";
import type { SiteForm, SiteValues } from "./site-values";

/** What the single diode needs of a datasheet; left empty, the temperature coefficient serves. */
const DATASHEET = [
  { key: "vocV", label: "Voc, V" },
  { key: "iscA", label: "Isc, A" },
  { key: "vmpV", label: "Vmp, V" },
  { key: "impA", label: "Imp, A" },
  { key: "cellsInSeries", label: say.cellsInSeries },
  { key: "areaM2", label: "Area, m²" },
  { key: "maxSystemV", label: say.systemVoltage },
] as const;

/** Module types by datasheet, or from the small made-up library. */
export function ModulesSection({ form }: { form: SiteForm }) {
  const types = form.values.moduleTypes;
  const add = (key: string, fields: (typeof moduleLibrary)[number]["fields"]): void => {
    const name = types.some((type) => type.key === key) ? `${key} (${types.length + 1})` : key;
    form.insertListItem("moduleTypes", { ...fields, key: name });
  };
  const rename = (i: number, key: string): void => {
    const before = types[i]!.key;
    form.setFieldValue(`moduleTypes.${i}.key`, key);
    form.getValues().arrays.forEach((array, k) => {
      if (array.module === before) form.setFieldValue(`arrays.${k}.module`, key);
    });
  };
  return (
    <section className={chapter.section}>
      <h2>Modules</h2>
      {types.map((type, i) => {
        const used = form.values.arrays.some((array) => array.module === type.key);
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: names are edited here, so the place is the key
          <div key={i} className={styles.type}>
            <div className={styles.modules}>
              <TextInput className={styles.two} label="Type" value={type.key} onChange={(event) => rename(i, event.currentTarget.value)} />
              <NumberField label="Power, W" {...form.getInputProps(`moduleTypes.${i}.pmpW`)} />
              {DATASHEET.map(({ key, label }) => (
                <OpenNumber key={key} form={form} label={label} path={`moduleTypes.${i}.${key}`} />
              ))}
              <PercentInput form={form} label={say.powerByHeatK} path={`moduleTypes.${i}.gammaPmpPerK`} decimals={3} />
              <PercentInput form={form} label={say.vocByHeatK} path={`moduleTypes.${i}.betaVocPerK`} decimals={3} />
              <OpenPercent
                form={form}
                label={say.lostAt200Wm2}
                path={`moduleTypes.${i}.lowLightLossFrac`}
                placeholder={say.toldFromTheRest}
              />
              <PercentInput form={form} label={say.bifaciality} path={`moduleTypes.${i}.bifacialityFrac`} decimals={0} />
              <NumberField label="Bypass diodes" {...form.getInputProps(`moduleTypes.${i}.bypassDiodes`)} />
            </div>
            <MatrixField form={form} path={`moduleTypes.${i}.powerMatrix`} matrix={type.powerMatrix} />
            <Estimates form={form} type={type} index={i} />
            <Doubts doubts={moduleDoubts(type)} />
            {!used && types.length > 1 && (
              <Button variant="subtle" size="compact-sm" onClick={() => form.removeListItem("moduleTypes", i)}>
                {`Remove ${type.key}`}
              </Button>
            )}
          </div>
        );
      })}
      <AddModule add={add} types={types} />
      <AddHint />
    </section>
  );
}

interface AddModuleProps {
  readonly add: (key: string, fields: (typeof moduleLibrary)[number]["fields"]) => void;
  readonly types: SiteValues["moduleTypes"];
}

function AddModule({ add, types }: AddModuleProps) {
  return (
    <Menu position="bottom-start" withinPortal>
      <Menu.Target>
        <Button variant="subtle" size="compact-sm">
          {say.addAType}
        </Button>
      </Menu.Target>
      <Menu.Dropdown>
        <Menu.Label>{say.madeUpModulesOfCommonKinds}</Menu.Label>
        {moduleLibrary.map(({ name, fields }) => (
          <Menu.Item key={name} onClick={() => add(name, fields)}>
            {`${name}, ${fields.areaM2 ? percent(fields.pmpW / (1000 * fields.areaM2), 1) : ""}`}
          </Menu.Item>
        ))}
        <Menu.Divider />
        <Menu.Item onClick={() => add(`Module ${types.length + 1}`, moduleSchema.parse({ pmpW: 400 }))}>
          {say.fromADatasheetOfYourOwn}
        </Menu.Item>
      </Menu.Dropdown>
    </Menu>
  );
}

const AddHint = () => <span className={chapter.soft}>{say.coefficientsKeepTheirSignPowerAnd}</span>;

const WORDS: Readonly<Record<ModuleDoubt["quantity"], (value: number) => string>> = {
  fillFactor: (v) => say.fillFactorPmpOverVocIsc(number(v, 2)),
  efficiency: (v) => say.efficiencyPowerOverArea(percent(v, 1)),
  vocPerCell: (v) => say.vACellVocOverCells(number(v, 2)),
  gammaPmp: (v) => say.powerByHeatK2(percent(v, 2)),
  betaVoc: (v) => say.vocByHeatK2(percent(v, 2)),
  alphaIsc: (v) => say.iscByHeatK(percent(v, 3)),
  noct: (v) => `NOCT ${measure(v, "°C")}`,
};

function Doubts({ doubts }: { doubts: readonly ModuleDoubt[] }) {
  if (doubts.length === 0) return null;
  return (
    <ul className={styles.doubts}>
      {doubts.map(({ quantity, value, low, high }) => (
        <li key={quantity}>{say.usualIsToReadTheDatasheet(WORDS[quantity](value), number(low, 4), number(high, 4))}</li>
      ))}
    </ul>
  );
}
