package dev.deftchisel.rule.call;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Calls;
import dev.deftchisel.analysis.Code;
import dev.deftchisel.analysis.Constants;
import dev.deftchisel.problem.About;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.Survey;
import dev.deftchisel.problem.Tag;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.type.TypeKind;

/** Format strings whose places and arguments do not go together (java.util.Formatter). */
public final class FormatArguments implements Rule {

    private static final Pattern PLACE = Pattern.compile("%(\\d+\\$)?([-#+ 0,(<]*)?(\\d+)?(\\.\\d+)?([tT])?([a-zA-Z%])");

    @Override
    public About about() {
        return About.of("format-arguments", Tag.SUSPICIOUS, "A format has more places than arguments, or fewer", Effect.SAME_BEHAVIOUR)
                .because("A place without an argument fails when it runs; an argument without a place is lost.")
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
                            String line(String vessel, int berth, Object[] all) {
                                return String.format("%s at %d, %1$s, 100%%%n", vessel, berth) + String.format("%s%s", all)
                                        + String.format("%1$tY-%1$tm %<td", berth);
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.METHOD_INVOCATION);
    }

    @Override
    public void look(TreePath path, Survey survey) {
        MethodInvocationTree call = (MethodInvocationTree) path.getLeaf();
        String name = Calls.name(call);
        Code code = survey.code();
        if (!name.equals("format") && !name.equals("printf")) {
            return;
        }
        Optional<ExecutableElement> method = Calls.method(code, path).filter(known -> known.isVarArgs() && isFormatter(known));
        if (method.isEmpty()) {
            return;
        }
        int index = method.get().getParameters().size() - 2;
        List<? extends ExpressionTree> arguments = call.getArguments();
        Optional<Object> format = Constants.value(code, new TreePath(path, arguments.get(index))).filter(value -> value instanceof String);
        int given = arguments.size() - index - 1;
        boolean isArray = given == 1 && code.type(new TreePath(path, arguments.get(index + 1)))
                .filter(type -> type.getKind() != TypeKind.ARRAY && type.getKind() != TypeKind.NULL).isEmpty();
        if (format.isEmpty() || isArray) {
            return;
        }
        int wanted = wanted((String) format.get());
        if (wanted >= 0 && wanted != given) {
            survey.report(arguments.get(index), "the format asks for " + count(wanted) + " and gets " + given);
        }
    }

    private static boolean isFormatter(ExecutableElement method) {
        String owner = method.getEnclosingElement().toString();
        return owner.equals("java.lang.String") || owner.equals("java.io.PrintStream") || owner.equals("java.io.PrintWriter")
                || owner.equals("java.util.Formatter");
    }

    private static String count(int wanted) {
        return wanted == 0 ? "nothing" : wanted == 1 ? "1 value" : wanted + " values";
    }

    /** How many arguments a format uses; -1 when it cannot be told. */
    private static int wanted(String format) {
        Matcher place = PLACE.matcher(format);
        int ordinary = 0;
        int highest = 0;
        int at = 0;
        while (place.find()) {
            if (format.substring(at, place.start()).contains("%")) {
                return -1;
            }
            at = place.end();
            String conversion = place.group(6);
            if (conversion.equals("%") || conversion.equals("n") || place.group(2).contains("<")) {
                continue;
            }
            if (place.group(1) != null) {
                highest = Math.max(highest, Integer.parseInt(place.group(1).substring(0, place.group(1).length() - 1)));
            } else {
                ordinary++;
            }
        }
        return format.substring(at).contains("%") ? -1 : Math.max(ordinary, highest);
    }
}
