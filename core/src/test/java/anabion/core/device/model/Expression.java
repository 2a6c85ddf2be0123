package anabion.core.device.model;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Works out the expressions of a deck: sums, products, a handful of functions, {@code V(a,b)} and {@code I(source)}. */
final class Expression {
    private static final Set<String> FUNCTIONS = Set.of("sqrt", "pow", "ln", "exp", "atan", "tanh", "max", "abs");

    private final String text;
    private final Map<String, Double> volts;
    private final Map<String, Double> currents;
    private int at;

    private Expression(String text, Map<String, Double> volts, Map<String, Double> currents) {
        this.text = text.replace(" ", "");
        this.volts = volts;
        this.currents = currents;
    }

    static double value(String text, Map<String, Double> volts, Map<String, Double> currents) {
        Expression e = new Expression(text, volts, currents);
        double v = e.sum();
        if (e.at != e.text.length()) throw new IllegalArgumentException("left over: " + e.text.substring(e.at));
        return v;
    }

    private boolean take(char c) {
        if (at < text.length() && text.charAt(at) == c) {
            at++;
            return true;
        }
        return false;
    }

    private double sum() {
        double v = product();
        while (true) {
            if (take('+')) v += product();
            else if (take('-')) v -= product();
            else return v;
        }
    }

    private double product() {
        double v = factor();
        while (true) {
            if (take('*')) v *= factor();
            else if (take('/')) v /= factor();
            else return v;
        }
    }

    private double factor() {
        if (take('-')) return -factor();
        if (take('+')) return factor();
        if (take('(')) {
            double v = sum();
            close();
            return v;
        }
        return Character.isLetter(text.charAt(at)) ? named() : number();
    }

    private void close() {
        if (!take(')')) throw new IllegalArgumentException("no ) at " + text.substring(at));
    }

    private double number() {
        int from = at;
        while (at < text.length()
                && (Character.isDigit(text.charAt(at))
                        || text.charAt(at) == '.'
                        || text.charAt(at) == 'e'
                        || ((text.charAt(at) == '-' || text.charAt(at) == '+') && text.charAt(at - 1) == 'e'))) at++;
        return Double.parseDouble(text.substring(from, at));
    }

    private double named() {
        int from = at;
        while (Character.isLetterOrDigit(text.charAt(at))) at++;
        String name = text.substring(from, at);
        if (!take('(')) throw new IllegalArgumentException(name + " without (");
        if (name.equals("V") || name.equals("I")) {
            int start = at;
            at = text.indexOf(')', at);
            String[] nodes = text.substring(start, at++).split(",");
            if (name.equals("I")) return currents.get(nodes[0]);
            return volts.get(nodes[0]) - (nodes.length > 1 ? volts.get(nodes[1]) : 0);
        }
        if (!FUNCTIONS.contains(name)) throw new IllegalArgumentException("unknown function " + name);
        List<Double> arguments = new ArrayList<>();
        do arguments.add(sum());
        while (take(','));
        close();
        return function(name, arguments);
    }

    private static double function(String name, List<Double> a) {
        return switch (name) {
            case "sqrt" -> Math.sqrt(a.get(0));
            case "pow" -> Math.pow(a.get(0), a.get(1));
            case "ln" -> Math.log(a.get(0));
            case "exp" -> Math.exp(a.get(0));
            case "atan" -> Math.atan(a.get(0));
            case "abs" -> Math.abs(a.get(0));
            case "tanh" -> Math.tanh(a.get(0));
            default -> Math.max(a.get(0), a.get(1));
        };
    }
}
