/**
 * What was taken off a set, and how it goes together again.
 *
 * <p>The log is the order in which things came off; re-assembly is the log backwards. A lead that hangs, one of unknown origin, what broke and what is left over
 * stay open until somebody settles them. Example: {@code 6 screws M3x8 back, bag A} then {@code lead red rod 3 -> hole 14} gives a checklist that begins with the lead.
 */
package anabion.core.stripdown;
