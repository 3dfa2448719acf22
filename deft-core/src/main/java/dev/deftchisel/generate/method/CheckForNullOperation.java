package dev.deftchisel.generate.method;

import com.sun.source.tree.MethodTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.member.WrittenMethod;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Question;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.rewrite.EditsByFile;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.rewrite.NewCode;
import dev.deftchisel.rewrite.TypeWriter;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javax.lang.model.type.TypeKind;

/** Has a method or constructor begin with a test that what it is given is not null. */
public final class CheckForNullOperation implements Operation {

    /** The key of the parameters. */
    public static final String MEMBERS = "members";
    /** The key of the choice what happens on null. */
    public static final String ON_NULL = "on-null";

    private static final String REQUIRE = "require";
    private static final String REFUSE = "refuse";
    private static final String LEAVE = "leave";

    private static final List<Question.Option> FAILING = List.of(
            new Question.Option(REQUIRE, "Objects.requireNonNull"),
            new Question.Option(REFUSE, "an IllegalArgumentException"));
    private static final List<Question.Option> ALL = List.of(FAILING.get(0), FAILING.get(1),
            new Question.Option(LEAVE, "nothing is done"));

    @Override
    public String id() {
        return "check-for-null";
    }

    @Override
    public String summary() {
        return "Check the parameters of a method for null at its start";
    }

    @Override
    public List<Question> questions() {
        return List.of(new Question.Members(MEMBERS, "the parameters", List.of(), List.of()), onNull(ALL));
    }

    private static Question onNull(List<Question.Option> options) {
        return new Question.Choice(ON_NULL, "what happens on null", options, REQUIRE);
    }

    /**
     * A method with the parameters that can be null and are not tested yet.
     *
     * @param names in order
     */
    private record Open(WrittenMethod method, List<String> names) {

        List<String> chosen(Range caret) {
            return method.meant(names, caret);
        }

        /** Whether it may simply end: it has no result, and no fields to set. */
        boolean mayLeave() {
            return method.tree().getReturnType() != null && method.tree().getReturnType().toString().equals("void");
        }

        AttributedFile code() {
            return method.code();
        }

        Range body() {
            return code().range(method.tree().getBody());
        }
    }

    @Override
    public Optional<Offer> offer(ResolvedPlace resolved) {
        return open(resolved.analysis(), resolved)
                .map(open -> new Offer(id(), title(open.chosen(resolved.place().selection())),
                Offer.Kind.GENERATE, resolved.place().selection(), List.of(
                        new Question.Members(MEMBERS, "the parameters", open.names(),
                                open.chosen(resolved.place().selection())),
                        onNull(open.mayLeave() ? ALL : FAILING))));
    }

    private static String title(List<String> names) {
        return "see to it that " + String.join(", ", names) + (names.size() == 1 ? " is" : " are") + " not null";
    }

    private static Optional<Open> open(Analysis analysis, ResolvedPlace resolved) {
        return analysis.code(resolved.file().path())
                .flatMap(code -> WrittenMethod.atHead(code, resolved.place().selection()))
                .map(method -> new Open(method, names(method.code(), method.path())))
                .filter(open -> !open.names().isEmpty());
    }

    private static List<String> names(AttributedFile code, TreePath path) {
        List<String> names = new ArrayList<>();
        MethodTree method = (MethodTree) path.getLeaf();
        int body = code.range(method.getBody()).start();
        for (VariableTree parameter : method.getParameters()) {
            // those of a compact constructor stand in the head of the record (JLS 8.10.4.2)
            boolean isWritten = code.find(parameter).filter(range -> range.end() <= body
                    && range.start() >= code.range(method).start()).isPresent();
            boolean mayBeNull = code.element(new TreePath(path, parameter))
                    .filter(element -> !element.asType().getKind().isPrimitive() && element.asType()
                            .getKind() != TypeKind.ERROR)
                    .isPresent();
            if (isWritten && mayBeNull && !isTested(code, method, parameter.getName().toString())) {
                names.add(parameter.getName().toString());
            }
        }
        return names;
    }

    /**
     * Whether the body already looks at once whether it is null; read off the text, since an offer looks at the head
     * only.
     */
    private static boolean isTested(AttributedFile code, MethodTree method, String name) {
        String body = code.text(code.range(method.getBody()));
        return body.matches("(?s).*\\brequireNonNull\\w*\\(\\s*" + name + "\\b.*")
                || body.matches("(?s)\\{\\s*if \\(\\s*" + name + " == null\\s*\\).*");
    }

    @Override
    public Plan plan(ResolvedPlace resolved, Answers answers, Analyst analyst) {
        Analysis before = analyst.analyse(Focus.around(resolved.file().path(), resolved.place().selection()).deeply());
        Optional<Open> found = open(before, resolved);
        if (found.isEmpty()) {
            return Plan.refused(resolved, "there is no parameter here that could be null and is not tested yet");
        }
        Open open = found.get();
        List<String> names = answers.several(MEMBERS).orElseGet(() -> open.chosen(resolved.place().selection()));
        Optional<String> unknown = names.stream().filter(name -> !open.names().contains(name)).findFirst();
        if (unknown.isPresent()) {
            return Plan.refused(resolved, "there is no parameter '" + unknown.get() + "' here to be tested; there are "
                    + String.join(", ", open.names()));
        }
        String onNull = answers.single(ON_NULL).orElse(REQUIRE);
        if (onNull.equals(LEAVE) && !open.mayLeave()) {
            return Plan.refused(resolved, "'" + LEAVE + "' is for methods without a result; take '" + REQUIRE + "' or '"
                    + REFUSE + "'");
        }
        EditsByFile edits = new EditsByFile(before);
        TypeWriter writer = edits.writer(open.code());
        List<String> lines = new ArrayList<>();
        names.forEach(name -> lines.addAll(test(name, onNull, writer, open.code())));
        edits.of(resolved.file().path()).addAll(written(open, lines));
        return new Plan.Ready(edits.change(title(names), SymbolEffects.same(), List.of()), before);
    }

    private static List<String> test(String name, String onNull, TypeWriter writer, AttributedFile code) {
        return switch (onNull) {
            case REFUSE -> List.of("if (" + name + " == null) {",
                    "    throw new " + platform("java.lang.IllegalArgumentException", writer, code)
                            + "(\"" + name + " must not be null\");", "}");
            case LEAVE -> List.of("if (" + name + " == null) {", "    return;", "}");
            default -> List.of(platform("java.util.Objects", writer, code) + ".requireNonNull(" + name + ", \"" + name
                    + "\");");
        };
    }

    private static String platform(String type, TypeWriter writer, AttributedFile code) {
        return writer.name(code.elements().getTypeElement(type));
    }

    private static List<Edit> written(Open open, List<String> lines) {
        AttributedFile code = open.code();
        Layout layout = Layout.of(code.file());
        String outer = Layout.indentOf(code.file(), code.range(open.method().tree()).start());
        String indent = outer + layout.unit();
        NewCode text = new NewCode(code.file()).write(layout.lineEnd() + indent + layout.text(lines, indent));
        Range body = open.body();
        int start = start(open);
        if (code.text(body).indexOf('\n') >= 0) {
            return List.of(text.at(start));
        }
        // what stands after it on the line, and the brace, go to lines of their own
        Range rest = blank(code, start);
        Range end = blank(code, code.tokens().end(code.tokens().codeBefore(code.tokens().at(body.end() - 1) - 1)));
        boolean isAll = rest.end() == body.end() - 1;
        Edit edit = text.write(layout.lineEnd() + (isAll ? outer : indent)).replacing(rest);
        return isAll || code.hasComment(end) ? List.of(edit)
                : List.of(edit, new NewCode(code.file()).write(layout.lineEnd() + outer).replacing(end));
    }

    /** The white space from an offset on. */
    private static Range blank(AttributedFile code, int offset) {
        int end = offset;
        while (Character.isWhitespace(code.file().content().charAt(end))) {
            end++;
        }
        return new Range(offset, end);
    }

    /** After what must come first (JLS 8.8.7.1). */
    private static int start(Open open) {
        List<? extends StatementTree> statements = open.method().statements();
        boolean isFirstFixed = !statements.isEmpty()
                && open.code().text(statements.get(0)).matches("(?s)(this|super)\\s*\\(.*|\\w+\\.super\\s*\\(.*");
        return isFirstFixed ? Layout.after(open.code().file(), open.code().range(statements.get(0)).end())
                : open.body().start() + 1;
    }
}
