import type { dataEn } from '../en/data';

export const dataEs: typeof dataEn = {
  file: {
    title: 'Lo que la escuela tiene registrado de {{child}}',
    to: 'Lo que la escuela tiene registrado',
    lead: 'De {{school}}. Vale la pena revisarlo una vez al año.',
    untold:
      '{{school}} no le dice a Cadro lo que tiene registrado, o no se lo muestra a usted. Pregunte en la oficina de la escuela.',
    born: 'Nació el {{when}}',
    people: 'A quién llama la escuela',
    nobody: 'La escuela no nombra a nadie.',
    unknown:
      'Nadie de esta lista tiene el correo electrónico que usted usa en Cadro. Si usted es una de estas personas, pida en la oficina que lo agreguen, para que la escuela sepa quién es.',
    others: 'Cómo los localiza la escuela solo lo ve su propio hogar.',
    relations: { guardian: 'tutor', parent: 'padre o madre', relative: 'familiar' },
    reach: {
      phone: 'Teléfono {{value}}',
      sms: 'Mensajes al {{value}}',
      email: 'Correo {{value}}',
      address: 'Dirección {{value}}',
    },
    none: {
      phone: 'Sin teléfono',
      sms: 'Sin número para mensajes',
      email: 'Sin correo electrónico',
      address: 'Sin dirección',
    },
    wrong: 'Esto no es correcto',
    noOffice: 'La escuela no nombra ninguna oficina a la que escribir.',
    wrongHint: 'Abre una carta a {{office}}.',
    subject: '{{child}}: lo que tienen registrado',
    letter:
      'Por favor, corrijan lo que tienen registrado de {{child}}:\n\n{{lines}}\n\nDebería ser: \n\nGracias y saludos cordiales,\n{{guardian}}',
  },
  data: {
    title: 'Sus datos',
    toData: 'Sus datos',
    consentTitle: 'Antes de seguir',
    consentLead:
      'Quienes administran este Cadro piden a todos que acepten cómo trata los datos de los alumnos.',
    consentRead: 'Leerlo',
    consentYes: 'Lo leí y lo acepto',
    consentElse: 'Si prefiere no aceptarlo, puede descargar sus datos y borrar su cuenta.',
    agreed: 'El {{when}} aceptó cómo este Cadro trata los datos ({{version}}).',
    names: 'Cómo se llama',
    name: 'Su nombre',
    nameHint: 'Lo ve su hogar; otros hogares, solo si el suyo se muestra.',
    givenName: 'Cómo le llama Cadro',
    givenNameHint: 'Solo lo ve usted.',
    shownAs: 'Su nombre en las cartas a los maestros',
    shownAsHint:
      'Los maestros lo ven en lugar de su nombre. Déjelo vacío para usar su nombre. Nunca ven su correo.',
    save: 'Guardar',
    saved: 'Guardado',
    contacts: 'Cómo lo localiza Cadro',
    emailSeen: 'Su correo electrónico: solo lo usa Cadro. No lo ven ni los maestros ni otros tutores.',
    phoneSeen: 'Un teléfono, si quiere mensajes: solo lo usa Cadro y puede dejarlo vacío.',
    kept: 'Qué guarda Cadro, para qué y cuánto tiempo',
    keptLead: 'Nada de esto se vende, se comparte para publicidad ni se usa para entrenar nada.',
    what: {
      account: {
        what: 'Su nombre, correo, contraseña (como una huella que nadie puede leer) e idioma',
        why: 'Para que pueda entrar y recibir lo que pidió. Hasta que borre su cuenta.',
      },
      record: {
        what: 'Las calificaciones, tareas, comentarios y asistencia de sus hijos',
        why: 'Vienen de la escuela para que usted los vea. Mientras la escuela los envíe y usted tenga acceso; {{leftDays}} días después de que un niño se va y nadie aquí lo ve, se borran.',
      },
      written: {
        what: 'Seguimientos, planes, notas, metas y lo que ha probado',
        why: 'Solo para usted y su hogar. Hasta que la última persona del hogar borre su cuenta.',
      },
      letters: {
        what: 'Las cartas que envía a los maestros y sus respuestas',
        why: 'Son correspondencia de la escuela y quedan allí, sin su correo.',
      },
      trail: {
        what: 'Quién abrió el registro de un alumno cada día y los cambios sobre quién lo ve',
        why: 'Para que los tutores puedan comprobarlo. Nadie puede cambiarlo.',
      },
      sessions: {
        what: 'Los dispositivos donde tiene la sesión abierta',
        why: 'Para que pueda verlos y cerrarlos. Hasta que cierre la sesión o caduque.',
      },
      mail: {
        what: 'Qué mensajes se le enviaron y cuándo',
        why: 'Para no enviar ninguno dos veces y que vea lo que falló. Durante {{mailDays}} días.',
      },
    },
    takeTitle: 'Llévese todo',
    takeLead:
      'Todo sobre usted y sus hijos en un archivo: los registros en JSON, la asistencia como tabla, el calendario y sus cartas.',
    take: 'Descargar todo',
    leaveTitle: 'Borrar su cuenta',
    leaveLead:
      'Su cuenta y todo lo que es solo suyo se borran a los 30 días. Hasta entonces puede cambiar de opinión. Las cartas quedan en la escuela.',
    leave: 'Borrar mi cuenta',
    leaves: 'Su cuenta se borrará el {{when}}. Hasta entonces no se le envía nada.',
    stay: 'Conservar mi cuenta',
  },
};
