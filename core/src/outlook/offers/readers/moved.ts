import type { Language } from '@cadro/contract';

/**
 * A due date that was moved later: the work may be handed in until then as if it were never late. Words about a test,
 * a trip or a meeting are none, and neither is a date that was moved forward.
 */
export const moved: Readonly<Record<Language, RegExp>> = {
  en: /\b(?:(?:due date|deadline|date)(?: (?:for|of) (?:the|this|her|his|their|your)(?: [\w'-]+){1,4}?)? (?:(?:has|have) (?:now )?been|was|is|is now|will be|has|now) ?(?:moved|extended|pushed|postponed|changed|shifted|put back|set back|gone back|slipped)(?: back| out)?|(?:now|new) due(?: date)?(?: (?:is|on|will be))?|new (?:date|deadline)(?: is|:)?|(?:gave|given|giving|give) (?:\w+ ){1,3}?(?:an extra|another) (?:week|day)|(?:moved|extended|pushed|postponed|shifted) (?:back )?(?:the|its|this|her|his|their|your) (?:[\w'-]+ ){0,3}?(?:due date|deadline|date)|(?:extended|postponed) (?:it )?(?:to|until|till|through)|(?:her|his|their|your) extension (?:runs out|ends|lasts|is)|(?:has|have) an extension|extension (?:until|to|through|till)|extra time (?:is |was )?(?:granted|given|until)|due date is now|deadline is now|(?:due date|deadline) (?:moved|extended|changed|postponed|pushed)|due (?:on |by )?[\w ]{3,20} instead of)\b/gi,
  es: /(?<!\p{L})(?:(?:la fecha(?: límite)?(?: de entrega)?|el plazo|la entrega)(?: (?:del?|de la|para el|para la)(?: \p{L}+){1,3}?)? (?:se (?:ha )?(?:aplaza(?:do)?|mueve|movido|extiende|extendido|amplía|ampliado|amplió|aplazó|retrasa|retrasado|retrasó|cambia|cambió|pospone|pospuso)|pasa|es ahora|ahora es|queda)|se (?:ha )?(?:aplaza(?:do)?|amplía|ampliado|amplió|aplazó|extiende|extendió|pospone|pospuso) (?:la entrega|el plazo|la fecha)|nueva fecha(?: límite)?(?: de entrega)?|(?:tiene|le doy|con|hay) (?:una )?prórroga|prórroga hasta|(?:su|la) prórroga (?:termina|acaba|vence|dura|llega)|(?:he|hemos) (?:ampliado|aplazado|extendido) (?:la fecha|el plazo|la entrega))(?!\p{L})/giu,
};
