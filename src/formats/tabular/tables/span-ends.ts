/** Names of the column in which a row's interval begins, and of the one in which it ends. */
export const BEGINNING = /^(from|start|begin|beginning|von|ab|de|desde|d[ée]but|da|inizio|(interval|period) start|start (time|date))$/i;
export const ENDING = /^(to|until|end|ending|bis|à|a|au|hasta|fin|fine|(interval|period) end|end (time|date))$/i;
