package anabion.workshop.report;

import java.util.List;

/**
 * A drawing on a page. Its strokes are SVG (W3C SVG 1.1); its words are text of the page, set in the page's own type. All lengths are in millimetres.
 *
 * @param title what stands under it
 * @param alt what it shows, for who cannot see it
 * @param svg the strokes
 */
public record Figure(String title, String alt, double width, double height, String svg, List<Text> texts) {
    /**
     * Words on it.
     *
     * @param style left, right or centre: how they stand in their width
     * @param size of the type
     */
    public record Text(String words, double left, double top, double width, String style, double size) {}

    public Figure {
        texts = List.copyOf(texts);
    }
}
