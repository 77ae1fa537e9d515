import type { ContactSpec } from './specs';

/** Whom each school names beside its teachers, and what teachers publish of themselves. */
export const schoolContacts: Readonly<Record<string, readonly ContactSpec[]>> = {
  'gannet-head': [
    {
      ...{
        id: 'office',
        kind: 'office',
        name: 'Main office, Gannet Head',
        mail: 'office@gannet-head.example',
      },
      ...{ phone: '+1 555 010 0140', room: 'Lower hall', hours: 'School days, 7:30 a.m. to 4 p.m.' },
      answersFor: 'Forms, fees, lockers, and anything you don’t know whom to ask about',
    },
    {
      ...{
        id: 'counselor-11',
        kind: 'counselor',
        name: 'Linnet Ashgrove',
        mail: 'l.ashgrove@gannet-head.example',
      },
      ...{ phone: '+1 555 010 0146', room: '12', hours: 'Tuesdays and Thursdays, 2 to 4 p.m.' },
      ...{ answersFor: 'Grade 11: courses, credits, stress', students: ['isolde', 'neighbour-a'] },
    },
    {
      ...{ id: 'counselor-9', kind: 'counselor', name: 'Piers Gorse', mail: 'p.gorse@gannet-head.example' },
      ...{ answersFor: 'Grades 9 and 10', students: ['somebody-else'] },
    },
    {
      ...{ id: 'nurse', kind: 'nurse', name: 'Health room, Gannet Head', phone: '+1 555 010 0148' },
      answersFor: 'Medicine at school, allergies, going home sick',
    },
    {
      ...{ id: 'quillfeather', course: 'kelp', kind: 'teacher', name: 'Aldous Quillfeather' },
      hours: 'Lab 2, Wednesdays after school until 4:15 p.m.',
      habits: 'Everything is on paper in the lab notebook. I answer families within two school days.',
    },
    {
      ...{ id: 'veleta', course: 'spanish', kind: 'teacher', name: 'Marisol Veleta', language: 'es' },
      habits: 'Recordings go into the class folder. Write to me in Spanish or English.',
    },
  ],
  millrace: [
    {
      ...{ id: 'office', kind: 'office', name: 'Front office, Millrace', mail: 'office@millrace.example' },
      ...{ phone: '+1 555 010 0150', hours: 'School days, 7:45 a.m. to 3:45 p.m.' },
      answersFor: 'Forms, fees, early pickup, changes of address',
    },
    {
      ...{ id: 'counselor', kind: 'counselor', name: 'Jonquil Byrd', mail: 'j.byrd@millrace.example' },
      ...{ room: '4', hours: 'Mondays to Thursdays, 8 to 9 a.m.' },
      answersFor: 'Friendships, worries, planning the week',
    },
    {
      ...{ id: 'bus', kind: 'transport', name: 'Bus desk, Sorrel Quay', mail: 'bus@sorrel-quay.example' },
      ...{
        phone: '+1 555 010 0155',
        answersFor: 'Bus stops, late buses, things left on the bus',
        mailboxClosed: true,
      },
    },
    {
      ...{ id: 'thornwick', course: 'boats', kind: 'teacher', name: 'Wren Thornwick' },
      hours: 'Boat shed, Tuesdays 3 to 5 p.m.',
      habits: 'Models stay in the shed; written work goes into the blue tray. I grade on Fridays.',
    },
    {
      ...{ id: 'esparto', course: 'spanish', kind: 'teacher', name: 'Ramón Esparto', language: 'es' },
      hours: 'Room 9, before first period',
    },
  ],
  'little-fathom': [
    {
      ...{ id: 'meals', kind: 'meals', name: 'Kitchen, Little Fathom', phone: '+1 555 010 0163' },
      answersFor: 'Meal accounts, allergies at lunch',
    },
  ],
};
