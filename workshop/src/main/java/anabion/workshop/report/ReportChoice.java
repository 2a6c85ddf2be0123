package anabion.workshop.report;

import anabion.core.error.InputException;
import anabion.core.json.Coded;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * What a report is to be.
 *
 * @param sections those of its edition's choice that it has
 */
public record ReportChoice(Edition edition, Paper paper, Set<ReportSection> sections) {
    public ReportChoice {
        Set<ReportSection> all = EnumSet.noneOf(ReportSection.class);
        all.addAll(sections);
        all.retainAll(edition.choice());
        sections = java.util.Collections.unmodifiableSet(all);
    }

    /** As usual. */
    public static ReportChoice of(Edition edition, Paper paper) {
        return new ReportChoice(edition, paper, edition.usual());
    }

    /** As one line of words, to be kept. */
    public String text() {
        List<String> all = new ArrayList<>(List.of(edition.code(), paper.code()));
        sections.forEach(s -> all.add(s.code()));
        return String.join(" ", all);
    }

    /** @return empty where the line is none that {@link #text} wrote */
    public static Optional<ReportChoice> read(String text) {
        String[] all = text.split(" ");
        if (all.length < 2) return Optional.empty();
        Optional<Edition> edition = Coded.find(Edition.values(), all[0]);
        Optional<Paper> paper = Coded.find(Paper.values(), all[1]);
        if (edition.isEmpty() || paper.isEmpty()) return Optional.empty();
        Set<ReportSection> sections = EnumSet.noneOf(ReportSection.class);
        for (int n = 2; n < all.length; n++)
            Coded.find(ReportSection.values(), all[n]).ifPresent(sections::add);
        return Optional.of(new ReportChoice(edition.get(), paper.get(), sections));
    }

    /**
     * Without some parts.
     *
     * @throws InputException for a word that names none
     */
    public ReportChoice without(List<String> codes) {
        Set<ReportSection> left = EnumSet.noneOf(ReportSection.class);
        left.addAll(sections);
        for (String code : codes)
            left.remove(Coded.find(ReportSection.values(), code).orElseThrow(() -> InputException.at(code)
                    .because("a report has no such part")
                    .so("use of: "
                            + String.join(
                                    ", ",
                                    EnumSet.allOf(ReportSection.class).stream()
                                            .map(ReportSection::code)
                                            .toList()))));
        return new ReportChoice(edition, paper, left);
    }
}
