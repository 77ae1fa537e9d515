import type { SameKeys } from '../catalogue';
import type { deviceEn } from '../en/device';

export const deviceEs: SameKeys<typeof deviceEn> = {
  away: 'Sin conexión.',
  awaySince: 'Sin conexión. Lo que ve es de {{age}}.',
  newVersion: 'Hay una versión nueva de Cadro.',
  takeOver: 'Usar la versión nueva',
  ask: '¿Leer Cadro sin conexión?',
  askLead:
    'Cadro puede guardar una copia en este dispositivo, por si está en el autobús o en un lugar sin señal. Quien pueda desbloquear el dispositivo podría leerla.',
  mine: 'Guardar una copia: es mi dispositivo',
  others: 'No guardar nada: otros lo usan',
  title: 'En este dispositivo',
  keeps:
    'Este dispositivo guarda una copia de los datos, para leerlos sin conexión. Se borra cuando usted sale.',
  hasCopy: 'guarda una copia',
  hasNone: 'no guarda nada',
  keepsNothing: 'Este dispositivo no guarda ninguno de los datos.',
  delete: 'Borrar la copia',
  install: 'Agregar Cadro a la pantalla de inicio',
  installByHand:
    'Para abrir Cadro como una aplicación, elija «Agregar a la pantalla de inicio» o «Instalar» en el menú del navegador.',
  stillIn:
    'Sin conexión: la copia de este dispositivo se borró, pero la sesión sigue abierta. Salga otra vez cuando tenga conexión.',
};
