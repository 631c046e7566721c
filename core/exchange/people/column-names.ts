/** Columns of a roster, as it goes out. */
export const PEOPLE_COLUMNS = [
  'name',
  'group',
  'time zone',
  'joined',
  'address',
  'kit',
  'avoid',
  'level',
  'swaps',
] as const;

/** What a column of a table is read as: `last name` goes behind the name. */
export type Column = (typeof PEOPLE_COLUMNS)[number] | 'last name';

/**
 * Other headings of each column, folded (`foldHeading`): English, then German, French, Spanish, Portuguese, Italian, Dutch, Swedish, Danish and
 * Norwegian, Finnish, Polish, as spreadsheets and address books there have them (common practice, no source).
 */
export const HEADINGS: Readonly<Record<Column, string>> = {
  name:
    'full name, first name, given name, forename, participant, member, vorname, vor und nachname, teilnehmer, teilnehmerin, mitglied, ' +
    'nom, nom complet, prenom, nombre, nombre completo, nome, nome completo, partecipante, naam, voornaam, deelnemer, ' +
    'namn, fornamn, navn, fornavn, nimi, etunimi, imie, imie i nazwisko',
  'last name':
    'surname, family name, nachname, familienname, nom de famille, apellido, apellidos, sobrenome, apelido, cognome, achternaam, ' +
    'efternamn, efternavn, etternavn, sukunimi, nazwisko',
  group:
    'detail, team, branch, instrument, section, gruppe, mannschaft, abteilung, groupe, equipe, grupo, equipo, gruppo, squadra, groep, ' +
    'ploeg, grupp, lag, hold, ryhma, joukkue, grupa, druzyna',
  'time zone':
    'zone, timezone, tz, zeitzone, fuseau horaire, fuseau, zona horaria, huso horario, fuso horario, fuso orario, tijdzone, tidszon, ' +
    'tidszone, tidssone, aikavyohyke, strefa czasowa',
  joined:
    'since, from, start, starts, joined on, seit, dabei seit, beginn, eintritt, depuis, date de debut, arrivee, desde, fecha de inicio, alta, ' +
    'inicio, dal, inizio, data di inizio, sinds, begint, startdatum, start datum, fran och med, fra, alkaen, alku, od, data rozpoczecia',
  address:
    'email, e-mail, mail, mail address, email address, e-mail address, channel, phone, mobile, adresse, e-mail-adresse, telefon, handy, ' +
    'courriel, adresse e-mail, adresse email, telephone, portable, correo, correo electronico, telefono, movil, endereco, celular, telefone, ' +
    'indirizzo, indirizzo email, cellulare, adres, e-mailadres, telefoon, adress, e-post, epost, e-postadress, mobil, sahkoposti, puhelin, ' +
    'adres e-mail, poczta',
  kit:
    'equipment, gear, has, geraete, gerate, ausruestung, ausrustung, materiel, equipement, material, equipamiento, equipamento, ' +
    'attrezzatura, attrezzi, materiaal, spullen, utrustning, redskap, utstyr, udstyr, valineet, sprzet',
  avoid:
    'spare, spares, to spare, schonen, vermeiden, a eviter, eviter, evitar, da evitare, evitare, vermijden, undvik, undga, unnga, ' +
    'valta, valtettava, unikac',
  level: 'levels, stufe, niveau, nivel, livello, niva, taso, poziom',
  swaps:
    'swap, replacements, ersatz, tausch, remplacements, cambios, trocas, sostituzioni, vervangingen, byten, bytter, vaihdot, zamiany',
};

/** A heading without case, accents, underscores and a colon at its end. */
const foldHeading = (cell: string): string =>
  cell
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replaceAll('ß', 'ss')
    .replaceAll('ł', 'l')
    .replaceAll('ø', 'o')
    .replaceAll('_', ' ')
    .replace(/\s+/g, ' ')
    .trim()
    .replace(/\s?:$/, '');

const COLUMN_OF: ReadonlyMap<string, Column> = new Map(
  (Object.entries(HEADINGS) as [Column, string][]).flatMap(([column, headings]) =>
    [column, ...headings.split(', ')].map((heading): [string, Column] => [heading, column]),
  ),
);

/** The column that a heading names, in any of the languages known here; undefined for any other. */
export const columnOf = (cell: string): Column | undefined => COLUMN_OF.get(foldHeading(cell));
