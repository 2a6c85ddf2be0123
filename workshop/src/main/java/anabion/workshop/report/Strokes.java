package anabion.workshop.report;

import java.util.Locale;

/** Gathers the strokes of a figure as SVG, in the colours of the pages. */
final class Strokes {
    static final String INK = "#21292B";
    static final String SOFT = "#C9C1B0";
    static final String PETROL = "#1D5B63";
    static final String WASH = "#DCE8E6";
    static final String GREEN = "#466F3D";
    static final String BRICK = "#A83A2B";

    private final StringBuilder body = new StringBuilder();

    private static String n(double value) {
        return String.format(Locale.ROOT, "%.2f", value);
    }

    void line(double x1, double y1, double x2, double y2, String colour, double width) {
        path("M " + n(x1) + " " + n(y1) + " L " + n(x2) + " " + n(y2), colour, width);
    }

    /** Pairs of x and y. */
    void polyline(double[] xy, String colour, double width) {
        StringBuilder data = new StringBuilder();
        for (int k = 0; k + 1 < xy.length; k += 2)
            data.append(k == 0 ? "M " : " L ").append(n(xy[k])).append(' ').append(n(xy[k + 1]));
        path(data.toString(), colour, width);
    }

    void path(String data, String colour, double width) {
        body.append("<path d=\"")
                .append(data)
                .append("\" fill=\"none\" stroke=\"")
                .append(colour)
                .append("\" stroke-width=\"")
                .append(n(width))
                .append("\"/>");
    }

    void area(String data, String colour) {
        if (!data.isBlank())
            body.append("<path d=\"")
                    .append(data)
                    .append("\" fill=\"")
                    .append(colour)
                    .append("\"/>");
    }

    void rectangle(double x, double y, double width, double height, String colour) {
        area("M " + n(x) + " " + n(y) + " h " + n(width) + " v " + n(height) + " h " + n(-width) + " Z", colour);
    }

    void dot(double x, double y, double radius, String colour) {
        body.append("<circle cx=\"")
                .append(n(x))
                .append("\" cy=\"")
                .append(n(y))
                .append("\" r=\"")
                .append(n(radius))
                .append("\" fill=\"")
                .append(colour)
                .append("\"/>");
    }

    /** @param width in millimetres, as the height */
    String svg(double width, double height) {
        return "<svg xmlns=\"http://www.w3.org/2000/svg\" aria-hidden=\"true\" width=\"" + n(width) + "mm\" height=\""
                + n(height) + "mm\" viewBox=\"0 0 " + n(width) + " " + n(height) + "\">" + body + "</svg>";
    }
}
