package dev.deftchisel.rule.unused;

import com.sun.source.tree.CompilationUnitTree;
import com.sun.source.tree.ImportTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.source.Words;
import java.util.Set;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;

/** Imports whose names stand neither in the code nor in its documentation (JLS 7.5). */
public final class UnusedImport implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("unused-import", Tag.UNUSED, "Nothing in the file needs an import",
                Effect.SAME_CLASSES)
                .because("It says that the file depends on something it does not use.")
                .example("""
                        package harbour;

                        import java.util.List;
                        import java.util.Map;

                        class Berths {
                            List<String> names;
                        }
                        """, """
                        package harbour;

                        import java.util.List;

                        class Berths {
                            List<String> names;
                        }
                        """)
                .silentOn("""
                        package harbour;

                        import static java.lang.Math.max;

                        import java.util.List;
                        import java.util.Map;

                        /** Berths, as told by a {@link Map}. */
                        class Berths {
                            List<String> names;
                            int longest = max(1, 2);
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.COMPILATION_UNIT);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        for (ImportTree line : ((CompilationUnitTree) path.getLeaf()).getImports()) {
            boolean isNamed = line.getQualifiedIdentifier() instanceof MemberSelectTree;
            if (isNamed && !isNeeded(line, (MemberSelectTree) line.getQualifiedIdentifier(), context)) {
                context.report(line, "nothing here needs the import of '" + line.getQualifiedIdentifier() + "'",
                        Fix.of("remove the import", edits -> edits.removeImport(context.code().range(line))));
            }
        }
    }

    private static boolean isNeeded(ImportTree line, MemberSelectTree imported, RuleContext context) {
        String name = imported.getIdentifier().toString();
        if (!name.equals("*")) {
            boolean isInCode = context.hasErrors() ? isToken(name, context.code()) : context.names().isSimple(name);
            return isInCode || isDocumented(name, context.code());
        }
        String owner = imported.getExpression().toString();
        return context.hasErrors() || context.names().used().stream()
                .filter(element -> context.names().isSimple(element.getSimpleName().toString()))
                .anyMatch(element -> isFrom(element, owner, line.isStatic(), context.code()))
                || !line.isStatic() && mayBeDocumented(owner, context.code());
    }

    /** What does not parse is missing from the tree, but not from the tokens. */
    private static boolean isToken(String name, AttributedFile code) {
        Tokens tokens = code.tokens();
        int line = 0;
        for (int i = tokens.code(0); i < tokens.count(); i = tokens.code(i + 1)) {
            if (tokens.isName(i, "import") || tokens.is(i, "import")) {
                line = i;
            } else if (tokens.is(i, ';')) {
                line = -1;
            }
            if (line < 0 && tokens.isName(i, name)) {
                return true;
            }
        }
        return false;
    }

    private static boolean isDocumented(String name, AttributedFile code) {
        Tokens tokens = code.tokens();
        return Words.find(code.file().content(), name).stream()
                .map(word -> tokens.at(word.start()))
                .anyMatch(token -> tokens.kind(token).isComment() && tokens.text(token).startsWith("/**"));
    }

    /**
     * Whether a name that is used may come by an import on demand: a type of the package or type, or a static member.
     */
    private static boolean isFrom(Element element, String owner, boolean isStatic, AttributedFile code) {
        if (!isStatic) {
            return element instanceof TypeElement && element.getEnclosingElement() != null
                    && element.getEnclosingElement().toString().equals(owner);
        }
        TypeElement type = code.elements().getTypeElement(owner);
        boolean isMember = element.getModifiers().contains(Modifier.STATIC)
                || element.getKind() == ElementKind.ENUM_CONSTANT;
        return type == null || isMember && element.getEnclosingElement() instanceof TypeElement own
                && code.isKind(type.asType(), own.asType());
    }

    private static boolean mayBeDocumented(String owner, AttributedFile code) {
        Tokens tokens = code.tokens();
        for (int i = 0; i < tokens.count(); i++) {
            if (tokens.kind(i).isComment() && tokens.text(i).startsWith("/**")
                    && tokens.text(i).lines().flatMap(text -> java.util.Arrays.stream(text.split("\\W+")))
                    .filter(word -> !word.isEmpty() && Character.isUpperCase(word.charAt(0)))
                    .anyMatch(word -> code.elements().getTypeElement(owner + "." + word) != null)) {
                return true;
            }
        }
        return false;
    }
}
