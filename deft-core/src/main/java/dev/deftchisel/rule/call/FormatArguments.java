package dev.deftchisel.rule.call;

import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.analysis.value.Constants;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/** Format strings whose places and arguments do not go together (java.util.Formatter). */
public final class FormatArguments implements Rule {

    private static final Set<String> FORMATS = Set.of("format", "printf", "formatted");

    @Override
    public RuleDescription about() {
        return RuleDescription.of("format-arguments", Tag.SUSPICIOUS, "A format and its arguments do not go together",
                Effect.OTHER)
                .because("A place without an argument, or with one of another type, fails when it runs; an argument "
                        + "without a place is lost.")
                .example("""
                        class Log {
                            String line(String vessel, int berth) {
                                return String.format("%s at %d for %d hours", vessel, berth) + String.format("%s", vessel, berth);
                            }
                        }
                        """, """
                        class Log {
                            String line(String vessel, int berth) {
                                return String.format("%s at %d for %d hours", vessel, berth) + String.format("%s", vessel, berth);
                            }
                        }
                        """)
                .silentOn("""
                        class Log {
                            String line(String vessel, int berth, Object[] all, long time) {
                                return String.format("%s at %d, %1$s, 100%%%n", vessel, berth) + String.format("%s%s", all)
                                        + String.format("%1$tY-%1$tm %<td", time);
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.METHOD_INVOCATION);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        MethodInvocationTree call = (MethodInvocationTree) path.getLeaf();
        AttributedFile code = context.code();
        Optional<ExecutableElement> method = FORMATS.contains(Calls.name(call))
                ? Calls.method(code, path).filter(known -> known.isVarArgs() && isFormatter(known)) : Optional.empty();
        if (method.isEmpty()) {
            return;
        }
        int index = method.get().getParameters().size() - 2;
        List<TreePath> arguments = call.getArguments().stream().map(argument -> new TreePath(path, argument)).toList();
        // "…".formatted(…) has its format before the dot
        Optional<TreePath> format = index >= 0 ? Optional.of(arguments.get(index)) : Calls.receiver(path);
        List<TreePath> given = arguments.subList(index + 1, arguments.size());
        boolean isArray = given.size() == 1 && code.type(given.get(0))
                .filter(type -> type.getKind() != TypeKind.ARRAY && type.getKind() != TypeKind.NULL).isEmpty();
        Optional<Object> text = format.flatMap(known -> Constants.value(code, known))
                .filter(value -> value instanceof String);
        if (text.isPresent()) {
            report(format.get(), (String) text.get(), given, isArray, context);
        }
    }

    private static void report(TreePath format, String text, List<TreePath> given, boolean isArray,
            RuleContext context) {
        Optional<List<FormatPlace>> places = FormatPlace.in(text);
        if (places.isEmpty()) {
            context.report(format.getLeaf(), "a '%' in it begins no place; write '%%' for the sign itself");
            return;
        }
        Optional<String> fault = places.get().stream().flatMap(place -> place.fault().stream()).findFirst();
        int wanted = places.get().stream().mapToInt(FormatPlace::argument).max().orElse(-1) + 1;
        if (fault.isPresent()) {
            context.report(format.getLeaf(), "the format fails: " + fault.get());
        } else if (!isArray && wanted != given.size()) {
            context.report(format.getLeaf(), "the format asks for " + count(wanted) + " and gets " + given.size());
        } else if (!isArray) {
            places.get().stream().filter(place -> place.argument() >= 0)
                    .forEach(place -> compare(format, text, place, given, context));
        }
    }

    private static void compare(TreePath format, String text, FormatPlace place, List<TreePath> given,
            RuleContext context) {
        AttributedFile code = context.code();
        TreePath argument = given.get(place.argument());
        Optional<TypeMirror> wrong = code.type(argument)
                .filter(type -> !place.takes(type, code) && Constants.value(code, argument)
                        .filter(value -> value.equals("null")).isEmpty());
        wrong.ifPresent(type -> context.report(argument.getLeaf(), "'" + place.text() + "' does not take a "
                + NamedTypes.shown(type),
                place.of(type, code).filter(better -> isWritten(format, text, code))
                        .map(better -> new Fix[] {Fix.of("write '" + better + "'",
                                edits -> edits.replace(at(format, place, code), better))})
                        .orElse(new Fix[0])));
    }

    /** Whether a format stands there letter by letter. */
    private static boolean isWritten(TreePath format, String text, AttributedFile code) {
        return code.text(format.getLeaf()).equals('"' + text + '"');
    }

    private static Range at(TreePath format, FormatPlace place, AttributedFile code) {
        int start = code.range(format.getLeaf()).start() + 1 + place.start();
        return new Range(start, start + place.text().length());
    }

    private static boolean isFormatter(ExecutableElement method) {
        String owner = method.getEnclosingElement().toString();
        return owner.equals("java.lang.String") || owner.equals("java.io.PrintStream")
                || owner.equals("java.io.PrintWriter")
                || owner.equals("java.util.Formatter");
    }

    private static String count(int wanted) {
        if (wanted == 0) {
            return "nothing";
        }
        return wanted == 1 ? "1 value" : wanted + " values";
    }
}
