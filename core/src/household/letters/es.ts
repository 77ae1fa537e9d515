import type { LetterWords } from './words';

const notYou = 'Si no fue usted, ignore este mensaje. No pasa nada mientras no se abra el enlace.';
const secure =
  'Si no fue usted, ponga una contraseña nueva ahora mismo: elija «¿Olvidó su contraseña?» en la página de entrada. Así se cierra la sesión en todos los dispositivos.';

const letters: LetterWords['letters'] = {
  confirm: {
    subject: 'Confirme su correo para Cadro',
    paragraphs: [
      'Hola, {name}:',
      'Toque el enlace para confirmar que este correo es suyo. Hasta entonces Cadro no le envía nada más: ni avisos ni informes.',
    ],
    action: { words: 'Confirmar mi correo', path: '/confirm' },
    foot: [notYou, 'El enlace sirve durante siete días.'],
  },
  arrival: {
    subject: 'Termine de abrir su cuenta de Cadro',
    paragraphs: [
      'Hola, {name}:',
      'Toque el enlace para abrir su cuenta. Después podrá entrar y agregar a su hijo o hija en cuanto tenga el código de la escuela.',
    ],
    action: { words: 'Abrir mi cuenta', path: '/confirm' },
    foot: [notYou, 'El enlace sirve durante siete días.'],
  },
  'known-here': {
    subject: 'Usted ya tiene una cuenta de Cadro',
    paragraphs: [
      'Hola, {name}:',
      'Alguien quiso usar este correo para una cuenta nueva. Ya tiene una, así que no se cambió nada.',
      'Si fue usted, entre con su contraseña o ponga una nueva si la olvidó.',
    ],
    action: { words: 'Entrar', path: '/sign-in' },
    foot: ['Si no fue usted, no tiene que hacer nada.'],
  },
  password: {
    subject: 'Ponga una contraseña nueva para Cadro',
    paragraphs: [
      'Hola, {name}:',
      'Usted pidió una contraseña nueva. El enlace sirve una vez, durante 30 minutos.',
    ],
    action: { words: 'Elegir una contraseña nueva', path: '/new-password' },
    foot: ['Al ponerla se cierra la sesión en todos los dispositivos.', notYou],
  },
  'password-changed': {
    subject: 'Su contraseña de Cadro cambió',
    paragraphs: [
      'Hola, {name}:',
      'Su contraseña acaba de cambiar y se cerró la sesión en sus otros dispositivos.',
    ],
    foot: [secure],
  },
  'change-from': {
    subject: '¿Es {address} su correo nuevo?',
    paragraphs: [
      'Hola, {name}:',
      'Usted pidió que Cadro le escriba desde ahora a {address}. Diga que sí aquí y también en el mensaje que enviamos al correo nuevo.',
    ],
    action: { words: 'Sí, cambiarlo', path: '/confirm' },
    foot: ['El enlace sirve durante un día. ' + secure],
  },
  'change-to': {
    subject: 'Confirme su correo nuevo para Cadro',
    paragraphs: [
      'Hola, {name}:',
      'Usted pidió que Cadro le escriba desde ahora a este correo. Confírmelo aquí y también en el mensaje que enviamos al anterior.',
    ],
    action: { words: 'Confirmar este correo', path: '/confirm' },
    foot: ['El enlace sirve durante un día.', notYou],
  },
  'address-changed': {
    subject: 'Cadro le escribe ahora a {address}',
    paragraphs: ['Su cuenta tiene un correo nuevo: {address}. A este ya no se envía nada más.'],
    foot: ['Si no fue usted, escriba enseguida a la oficina de la escuela.'],
  },
  'new-device': {
    subject: 'Se entró en Cadro desde un dispositivo nuevo',
    paragraphs: ['Acaban de entrar en su cuenta desde un dispositivo que no se había usado antes: {device}.'],
    action: { words: 'Ver dónde tiene la sesión abierta', path: '/settings/safety' },
    foot: [secure],
  },
  leaving: {
    subject: 'Su cuenta de Cadro se va a borrar',
    paragraphs: [
      'Hola, {name}:',
      'Usted pidió borrar su cuenta. Se borrará el {until}. Hasta entonces no se le envía nada y puede cambiar de opinión: entre y elija «Conservar mi cuenta».',
    ],
    action: { words: 'Entrar', path: '/sign-in' },
    foot: ['Las cartas que envió quedan en la escuela. Todo lo demás que es solo suyo se borra.', secure],
  },
  invitation: {
    subject: '{inviter} quiere compartir con usted las tareas de {child}',
    paragraphs: [
      '{inviter} usa Cadro para seguir las tareas y calificaciones de {child} y le invita a verlas también, {role}.',
      'Abra el enlace, o entre en Cadro, elija «Primera vez» y escriba este código:',
    ],
    action: { words: 'Ver la invitación', path: '/new' },
    foot: ['El código sirve una vez, durante 14 días. Si no conoce a {inviter}, ignore este mensaje.'],
  },
  'school-invitation': {
    subject: 'Vea las tareas de {child} en Cadro',
    paragraphs: [
      'La escuela le invita a seguir en Cadro las tareas y calificaciones de {child}, {role}.',
      'Abra el enlace, o entre en Cadro, elija «Primera vez» y escriba este código:',
    ],
    action: { words: 'Ver la invitación', path: '/new' },
    foot: [
      'El código sirve una vez, durante 14 días. Si no se trata de su familia, avise a la oficina de la escuela.',
    ],
  },
  'notice-link-made': {
    subject: 'Alguien más puede ver las tareas de {child}',
    paragraphs: ['{who} ya puede ver las tareas y calificaciones de {child}, {role}.'],
    action: { words: 'Ver quién es', path: '/settings/people' },
    foot: ['Si no es correcto, opóngase allí: no verá nada hasta que la escuela responda.'],
  },
  'notice-link-ended': {
    subject: 'Alguien ya no ve las tareas de {child}',
    paragraphs: ['{who} ya no ve las tareas y calificaciones de {child}.'],
    action: { words: 'Ver quién las ve', path: '/settings/people' },
    foot: [],
  },
  'notice-role-changed': {
    subject: 'Cambió el acceso de alguien a las tareas de {child}',
    paragraphs: ['{who} ve ahora las tareas de {child} {role}.'],
    action: { words: 'Ver quién ve qué', path: '/settings/people' },
    foot: [],
  },
  'notice-suspended': {
    subject: 'El acceso a las tareas de {child} está en espera',
    paragraphs: ['Alguien se opuso: {who} no puede ver las tareas de {child} hasta que la escuela responda.'],
    action: { words: 'Ver quién ve qué', path: '/settings/people' },
    foot: [],
  },
  'notice-restored': {
    subject: 'La escuela respondió sobre {child}',
    paragraphs: ['La escuela decidió que {who} puede ver las tareas de {child}.'],
    action: { words: 'Ver quién ve qué', path: '/settings/people' },
    foot: ['Si tiene preguntas, consulte a la oficina de la escuela.'],
  },
  'notice-new-device': {
    subject: '{who} entró desde un dispositivo nuevo',
    paragraphs: [
      '{who} entró en Cadro desde un dispositivo que no se había usado antes: {device}. Si le sorprende, pregúntele.',
    ],
    foot: [],
  },
  'notice-address-changed': {
    subject: '{who} tiene un correo nuevo en Cadro',
    paragraphs: ['{who} cambió el correo de su cuenta. Si le sorprende, pregúntele.'],
    foot: [],
  },
};

export const es: LetterWords = {
  letters,
  roles: {
    guardian: 'como tutor',
    'look-only': 'solo para mirar',
    helper: 'como ayudante',
    student: 'con su propia cuenta',
  },
  somebody: 'Alguien de fuera de su hogar',
  someDevice: 'uno que no dice su nombre',
};
