import { Migration } from '@mikro-orm/migrations';

const NAMES = {
  ultrasonic: 'Ultrasonic water bath',
  solvent: 'By hand in solvent',
  soapy: 'Soapy water and brush',
  whole: 'Whole, as it is riveted',
  light: 'Second, lighter clean after fitting',
  'in-place': 'In place, nothing apart',
  rotor: 'Sealed rotor, oil renewed',
  'plugged-rotor': 'Plugged rotor, oil renewed',
  case: 'Case: glue and finish',
};

/** A shop has sequences of its own; a run keeps the name of the one that it followed. */
export class OwnSequences extends Migration {
  override up(): void {
    this.addSql(`
      create table own_sequence (
        id uuid primary key, name text not null, steps jsonb not null, retired boolean not null default false,
        by text not null, at timestamptz not null, version integer not null default 1)`);
    this.addSql(`alter table bath_run add column name text not null default ''`);
    this.addSql('alter table bath_run alter column name drop default');
    for (const [id, name] of Object.entries(NAMES))
      this.addSql(`update bath_run set name = '${name}' where sequence = '${id}'`);
  }
}
