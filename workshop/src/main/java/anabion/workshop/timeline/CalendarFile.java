package anabion.workshop.timeline;

import anabion.core.job.Order;
import anabion.core.text.Words;
import anabion.workshop.SetRecord;
import anabion.workshop.Timer;
import biweekly.Biweekly;
import biweekly.ICalendar;
import biweekly.component.VEvent;
import biweekly.property.Uid;
import biweekly.util.ICalDate;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Date;
import java.util.List;
import java.util.Map;
import java.util.UUID;

/** What falls due, for a calendar (iCalendar, RFC 5545): orders on their day, timers at their time. */
public final class CalendarFile {
    private final ICalendar calendar = new ICalendar();
    private final Words words;
    private final Clock clock;

    /** @param clock of the time at which it is written */
    public CalendarFile(Words words, Clock clock) {
        this.words = words;
        this.clock = clock;
        calendar.setProductId("-//Anabion//EN");
    }

    /** What a set waits for that has a day. */
    public CalendarFile with(SetRecord set) {
        for (Order o : set.job().orders()) {
            if (o.arrived().isPresent() || o.due().isEmpty()) continue;
            LocalDate day = o.due().get();
            VEvent event = event(
                    o.id(), words.say("timeline.due", o.what(), set.chassis().name()));
            ICalDate date =
                    new ICalDate(Date.from(day.atStartOfDay(clock.getZone()).toInstant()), false);
            event.setDateStart(date);
            calendar.addEvent(event);
        }
        return this;
    }

    /** @param names of sets */
    public CalendarFile with(List<Timer> timers, Map<UUID, String> names) {
        for (Timer t : timers) {
            VEvent event = event(t.id(), t.label() + ", " + names.getOrDefault(t.set(), ""));
            event.setDateStart(Date.from(t.ends()), true);
            event.setDateEnd(Date.from(t.ends()), true);
            calendar.addEvent(event);
        }
        return this;
    }

    private VEvent event(UUID id, String summary) {
        VEvent event = new VEvent();
        event.setUid(new Uid(id.toString()));
        event.setDateTimeStamp(Date.from(clock.instant()));
        event.setSummary(summary);
        return event;
    }

    /** How many entries it has. */
    public int size() {
        return calendar.getEvents().size();
    }

    /** The file. */
    public String text() {
        return Biweekly.write(calendar).go();
    }
}
