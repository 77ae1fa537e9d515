import type { SameKeys } from '../catalogue';
import type { problemsEn } from '../en/problems';

/** Lo que se dice cuando algo sale mal, según el código del problema. */
export const problemsEs: SameKeys<typeof problemsEn> = {
  'second-step': 'Esta cuenta pide un segundo paso.',
  'code-not-for-you':
    'Este código es para otro tipo de cuenta: la de un alumno solo abre sus propias tareas, y la de un tutor no puede ser la de un alumno.',
  'link-on-hold':
    'Su acceso a este alumno está en espera o la escuela lo terminó. Pregunte en la oficina de la escuela.',
  'link-over': 'Este enlace ya no sirve. Puede que ya se haya usado o que sea demasiado antiguo.',
  'address-known': 'Ya hay una cuenta con este correo. Entre y use su código allí.',
  'weak-password':
    'Esta contraseña es demasiado fácil de adivinar. Pruebe con tres o cuatro palabras sin relación entre sí.',
  'wrong-code': 'Este código no es correcto o ya se usó.',
  'passkey-refused': 'Esta llave de acceso no se conoce aquí o no se confirmó.',
  waitSeconds_one: 'Demasiados intentos. Espere {{count}} segundo.',
  waitSeconds_other: 'Demasiados intentos. Espere {{count}} segundos.',
  waitMinutes_one: 'Demasiados intentos. Espere {{count}} minuto.',
  waitMinutes_other: 'Demasiados intentos. Espere {{count}} minutos.',
  'bad-request': 'Algo en este formulario no encaja. Revíselo, por favor.',
  'not-signed-in': 'La sesión está cerrada. Entre de nuevo, por favor.',
  'wrong-credentials': 'Esta dirección y esta contraseña no van juntas.',
  'too-many-tries': 'Demasiados intentos. Espere un rato, por favor.',
  forbidden: 'Su vínculo con este niño es solo para mirar.',
  'not-found': 'Aquí no hay nada para usted.',
  'code-unknown': 'Ninguna escuela ha dado este código. Compárelo con su carta.',
  'code-used': 'Este código ya se ha usado. La escuela puede darle otro.',
  'code-expired': 'Este código ha caducado. La escuela puede darle otro.',
  'already-linked': 'Ya está vinculado con este niño.',
  'edited-meanwhile': 'Otra persona lo ha cambiado desde que lo abrió. Nada de lo suyo se ha perdido.',
  'too-late': 'El plazo para esto terminó, o la escuela lo retiró.',
  'time-taken': 'Otra familia ya tiene esta hora. Elija otra.',
  'teacher-without-contact': 'La escuela no ha dado ninguna dirección de este maestro.',
  'unknown-thread': 'Este correo no pertenece a ninguna conversación.',
  'off-scale': 'La materia no usa esa escala. Elija otro umbral.',
  'no-way': 'No hay número al que enviar un texto, o no hay modo de enviarlo.',
  'plan-full': 'Un plan admite cuarenta tareas abiertas. Quita algunas o marca lo que está hecho.',
  'nothing-open': 'Ya no queda nada abierto de esto.',
  'child-not-in-file':
    'En este archivo no hay ningún estudiante con ese nombre. Revise cómo se escribe o pregunte a la escuela qué nombre usa.',
  'several-in-file':
    'En este archivo hay más de un estudiante con ese nombre. Agregue el número de estudiante que usa la escuela.',
  'unfit-file':
    'Uno de los archivos no se puede enviar: se envían PDF, fotos, grabaciones y documentos, hasta 4.5 MB en total.',
  'unreadable-file': 'Este archivo no se puede leer. No se ha tomado nada de él.',
  'foreign-origin': 'Hágalo desde la página de Cadro, por favor.',
  'too-large': 'Esto es demasiado largo.',
  'database-away': 'Cadro no puede leer sus datos en este momento. Inténtelo de nuevo enseguida.',
  crowded: 'Cadro está muy ocupado en este momento. Inténtelo de nuevo enseguida.',
  'under-way': 'Esto ya se está haciendo. Espere un momento, por favor.',
  'key-used': 'Esto ha cambiado desde la primera vez que lo envió. Envíelo otra vez, por favor.',
  waits: 'Guardado. Se enviará solo en cuanto haya conexión con Cadro.',
  'source-unreachable': 'No se puede llegar a la escuela en este momento.',
  internal: 'Algo ha fallado por nuestra parte. No se ha cambiado nada.',
  offline: 'No se puede llegar a Cadro. Inténtelo de nuevo en un momento.',
};
