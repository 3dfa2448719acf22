package dev.deftchisel.rule.lambda;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.ReturnTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import com.sun.source.util.TreeScanner;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TargetType;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.FixEdits;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.source.Range;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.util.ElementFilter;

/** An anonymous class that is no more than a function (JLS 9.8, 15.27). */
public final class AnonymousFunction implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("anonymous-function", Tag.IDIOM, "An anonymous class could be a lambda",
                Effect.SAME_BEHAVIOUR)
                .because("A lambda says what is done, without the frame around it.")
                .example("""
                        import java.util.Comparator;
                        import java.util.List;

                        class Berths {
                            void sort(List<String> names) {
                                Comparator<String> byLength = new Comparator<String>() {
                                    @Override
                                    public int compare(String one, String other) {
                                        return one.length() - other.length();
                                    }
                                };
                                names.sort(byLength);
                                Runnable print = new Runnable() {
                                    public void run() {
                                        // all of them
                                        System.out.println(names);
                                    }
                                };
                                print.run();
                            }
                        }
                        """, """
                        import java.util.Comparator;
                        import java.util.List;

                        class Berths {
                            void sort(List<String> names) {
                                Comparator<String> byLength = (one, other) -> one.length() - other.length();
                                names.sort(byLength);
                                Runnable print = () -> {
                                    // all of them
                                    System.out.println(names);
                                };
                                print.run();
                            }
                        }
                        """)
                .silentOn("""
                        import java.util.function.Supplier;

                        class Berths {
                            Runnable again(int name) {
                                Object own = new Runnable() {
                                    public void run() {
                                    }
                                };
                                Supplier<String> text = new Supplier<String>() {
                                    public String get() {
                                        return toString();
                                    }
                                };
                                Supplier<String> counted = new Supplier<String>() {
                                    private int count;

                                    public String get() {
                                        return "" + count++;
                                    }
                                };
                                return new Thread() {
                                    public void run() {
                                    }
                                };
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.NEW_CLASS);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        NewClassTree made = (NewClassTree) path.getLeaf();
        AttributedFile code = context.code();
        Optional<MethodTree> only = only(made);
        Optional<TypeMirror> type = code.type(new TreePath(path, made.getIdentifier()));
        if (only.isEmpty() || type.isEmpty() || !isFunction(type.get(), only.get(), code)
                || TargetType.ofAssignmentOrCall(path, code)
                .filter(wanted -> code.types().isSameType(code.types().erasure(wanted),
                        code.types().erasure(type.get()))).isEmpty() || isGenericArgument(path, code)) {
            return;
        }
        TreePath body = new TreePath(path, made.getClassBody());
        TreePath method = new TreePath(body, only.get());
        if (!hasCommentAround(made, only.get(), code) && !usesItself(body, method, code) && !hidesLocal(path, method)
                && !isBeforeFields(path, method, code)) {
            context.report(new Range(code.range(made).start(), code.range(made.getIdentifier()).end()),
                    "this could be a lambda",
                    Fix.of("make it a lambda", edits -> write(edits, made, only.get())));
        }
    }

    /** Whether a comment would have no place in a lambda, such as the documentation of the method. */
    private static boolean hasCommentAround(NewClassTree made, MethodTree method, AttributedFile code) {
        Range all = code.range(made);
        Range body = code.range(method.getBody());
        return code.hasComment(new Range(all.start(), body.start()))
                || code.hasComment(new Range(body.end(), all.end()));
    }

    /** The only member, a method that is nothing but what the interface asks for. */
    private static Optional<MethodTree> only(NewClassTree made) {
        List<? extends Tree> members = made.getClassBody() == null ? List.of() : made.getClassBody().getMembers()
                .stream()
                .filter(member -> !(member instanceof MethodTree method && method.getName().contentEquals("<init>")))
                .toList();
        return members.size() == 1 && members.get(0) instanceof MethodTree method && method.getBody() != null
                && method.getTypeParameters().isEmpty() && made.getArguments().isEmpty()
                && method.getModifiers().getAnnotations().stream()
                        .allMatch(annotation -> annotation.getAnnotationType().toString().endsWith("Override"))
                && !method.getModifiers().getFlags().contains(Modifier.SYNCHRONIZED)
                && method.getParameters().stream().allMatch(parameter -> parameter.getModifiers().getAnnotations()
                        .isEmpty())
                ? Optional.of(method) : Optional.empty();
    }

    /** Whether a type is an interface with this one abstract method (JLS 9.8). */
    private static boolean isFunction(TypeMirror type, MethodTree method, AttributedFile code) {
        if (!(type instanceof DeclaredType declared) || !(declared.asElement() instanceof TypeElement element)
                || element.getKind() != ElementKind.INTERFACE || element.getModifiers().contains(Modifier.SEALED)
                || code.isKind(type, code.elements().getTypeElement("java.io.Serializable").asType())) {
            return false;
        }
        TypeElement object = code.elements().getTypeElement("java.lang.Object");
        List<ExecutableElement> open = ElementFilter.methodsIn(code.elements().getAllMembers(element)).stream()
                .filter(own -> own.getModifiers().contains(Modifier.ABSTRACT))
                .filter(own -> ElementFilter.methodsIn(object.getEnclosedElements()).stream()
                        .noneMatch(of -> of.getSimpleName().equals(own.getSimpleName())
                                && of.getParameters().size() == own.getParameters().size()))
                .toList();
        return open.size() == 1 && open.get(0).getSimpleName().equals(method.getName()) && open.get(0)
                .getTypeParameters().isEmpty();
    }

    /** Whether the call infers a type from it, for which a lambda would say too little (JLS 18.5.1). */
    private static boolean isGenericArgument(TreePath path, AttributedFile code) {
        TreePath call = path.getParentPath();
        boolean isCall = call.getLeaf() instanceof MethodInvocationTree || call.getLeaf() instanceof NewClassTree;
        return isCall && (call.getLeaf().toString().contains("<>") || code.element(call)
                .filter(element -> element instanceof ExecutableElement method && method.getTypeParameters().isEmpty())
                .isEmpty());
    }

    /** Whether it uses itself: as {@code this}, by a member of its own or one it inherits (JLS 15.27.2). */
    private static boolean usesItself(TreePath body, TreePath method, AttributedFile code) {
        Optional<Element> own = code.element(body);
        return own.isEmpty() || Boolean.TRUE.equals(new TreePathScanner<Boolean, Void>() {
            @Override
            public Boolean visitIdentifier(IdentifierTree tree, Void unused) {
                boolean isSelf = tree.getName().contentEquals("this") || tree.getName().contentEquals("super");
                return isSelf || code.element(getCurrentPath())
                        .filter(element -> element.getKind().isField() || element.getKind() == ElementKind.METHOD)
                        .filter(element -> element.getEnclosingElement() instanceof TypeElement owner
                                && code.isKind(own.get().asType(), owner.asType())
                                && !isOfOuter(owner)).isPresent();
            }

            private boolean isOfOuter(TypeElement owner) {
                return code.enclosingType(body.getParentPath())
                        .filter(outer -> code.isKind(outer.asType(), owner.asType())
                        && !owner.getQualifiedName().contentEquals("java.lang.Object")).isPresent();
            }

            @Override
            public Boolean reduce(Boolean one, Boolean other) {
                return Boolean.TRUE.equals(one) || Boolean.TRUE.equals(other);
            }
        }.scan(method, null));
    }

    /** Whether a variable of it has the name of one around, which a lambda must not have (JLS 6.4). */
    private static boolean hidesLocal(TreePath path, TreePath method) {
        Set<String> own = names(method, null);
        TreePath around = path;
        while (around.getParentPath() != null && !(around.getParentPath().getLeaf() instanceof ClassTree)) {
            around = around.getParentPath();
        }
        Set<String> others = names(around, path.getLeaf());
        return own.stream().anyMatch(others::contains);
    }

    private static Set<String> names(TreePath within, Tree except) {
        Set<String> names = new HashSet<>();
        new TreeScanner<Void, Void>() {
            @Override
            public Void scan(Tree tree, Void unused) {
                return tree == except ? null : super.scan(tree, null);
            }

            @Override
            public Void visitVariable(VariableTree tree, Void unused) {
                names.add(tree.getName().toString());
                return super.visitVariable(tree, null);
            }
        }.scan(within.getLeaf(), null);
        return names;
    }

    /**
     * Whether it stands where fields get their values, and names one: in a lambda that must have its value already (JLS
     * 16).
     */
    private static boolean isBeforeFields(TreePath path, TreePath method, AttributedFile code) {
        TreePath member = path;
        while (!(member.getParentPath().getLeaf() instanceof ClassTree)) {
            member = member.getParentPath();
        }
        boolean isInitializer = member.getLeaf() instanceof VariableTree || member.getLeaf() instanceof BlockTree
                || member.getLeaf() instanceof MethodTree constructor && constructor.getReturnType() == null;
        return isInitializer && code.expressions(method).stream()
                .anyMatch(part -> part.getLeaf() instanceof IdentifierTree
                && code.element(part).filter(element -> element.getKind() == ElementKind.FIELD).isPresent());
    }

    private static void write(FixEdits edits, NewClassTree made, MethodTree method) {
        AttributedFile code = edits.code();
        List<? extends VariableTree> parameters = method.getParameters();
        BlockTree block = method.getBody();
        Range body = code.range(block);
        edits.replace(made, to -> {
            to.write(parameters.size() == 1 ? "" : "(");
            for (VariableTree parameter : parameters) {
                Range own = code.range(parameter);
                to.write(parameter == parameters.get(0) ? "" : ", ")
                        .carry(new Range(own.end() - parameter.getName().length(), own.end()));
            }
            to.write(parameters.size() == 1 ? " -> " : ") -> ");
            boolean isValue = block.getStatements().size() == 1 && block.getStatements()
                    .get(0) instanceof ReturnTree result
                    && result.getExpression() != null && !code.hasComment(body);
            if (isValue) {
                ExpressionTree value = ((ReturnTree) block.getStatements().get(0)).getExpression();
                to.carry(code.range(value), Layout.indentOf(code.file(), code.range(value).start()),
                        Layout.indentOf(code.file(), code.range(made).start()));
            } else {
                to.carry(body, Layout.indentOf(code.file(), code.range(method).start()),
                        Layout.indentOf(code.file(), code.range(made).start()));
            }
        });
    }
}
