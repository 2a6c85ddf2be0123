/** All that happened to a set, in the order in which it did, and what follows from that: hours of work, calendars. */
package anabion.workshop.timeline;
