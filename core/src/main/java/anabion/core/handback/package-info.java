/**
 * What must be in order before a set leaves the house.
 *
 * <p>Each condition is met, open, or signed off with a reason; nothing is silently left out. Tests of insulation are those of the trade: 500 V between both poles of the mains joined, the switch on, and
 * metal that a hand can reach; never from pole to pole, and never to a chassis that is itself at the mains. A chassis joined to the mains is never earthed. The limits are usual values of
 * repair tests; local codes and licensed practice decide. Example: a set whose double-wound transformer was proved by both plug pins measured against the chassis, with an earthed plug, asks for insulation, touch current and the earth's ohms; one with its chassis
 * at the mains for insulation and touch current at what can be touched, and for its barriers.
 */
package anabion.core.handback;
