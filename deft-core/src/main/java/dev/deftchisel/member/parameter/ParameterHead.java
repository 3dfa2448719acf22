package dev.deftchisel.member.parameter;

import com.sun.source.tree.AnnotationTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.change.Edit;
import dev.deftchisel.rewrite.NewCode;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import java.util.List;
import java.util.function.Consumer;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;

/** The head of a method that gets one more parameter: the last one, or the last before those of any number. */
public final class ParameterHead {

    private final AttributedFile code;
    private final TreePath method;
    private final MethodTree tree;
    private final int name;

    /** @param name where the name of the method ends */
    public ParameterHead(AttributedFile code, TreePath method, int name) {
        this.code = code;
        this.method = method;
        this.tree = (MethodTree) method.getLeaf();
        this.name = name;
    }

    /** The index that the new parameter gets. */
    public int index() {
        return tree.getParameters().size() - (isVarArgs() ? 1 : 0);
    }

    private boolean isVarArgs() {
        return ((ExecutableElement) code.element(method).orElseThrow()).isVarArgs();
    }

    /** Declares the parameter in place. */
    public Edit declared(String type, Consumer<NewCode> given) {
        NewCode text = new NewCode(code.file());
        if (tree.getParameters().isEmpty()) {
            text.write(type + " ");
            given.accept(text);
            return text.at(opening());
        }
        Range last = code.range(tree.getParameters().get(tree.getParameters().size() - 1));
        if (isVarArgs()) {
            given.accept(text.write(prefix() + type + " "));
            return text.write("," + gap(last)).at(last.start());
        }
        given.accept(text.write("," + gap(last) + prefix() + type + " "));
        return text.at(last.end());
    }

    private String prefix() {
        return tree.getParameters().stream().allMatch(one -> one.getModifiers().getFlags().contains(Modifier.FINAL))
                ? "final " : "";
    }

    /** The white space between two parameters: a blank, or a new line where each stands on its own. */
    private String gap(Range last) {
        Tokens tokens = code.tokens();
        int before = tokens.at(last.start()) - 1;
        return tree.getParameters().size() > 1 && tokens.kind(before) == TokenKind.WHITE_SPACE ? tokens.text(before)
                : " ";
    }

    private int opening() {
        Tokens tokens = code.tokens();
        return tokens.end(tokens.code(tokens.at(name - 1) + 1));
    }

    /**
     * Writes the same head with the parameter, to stand elsewhere.
     *
     * @param indent of the line it is written on
     */
    public void copied(NewCode text, String newLine, String type, String parameter) {
        modifiers(text, newLine);
        if (!tree.getTypeParameters().isEmpty()) {
            carry(text.write("<"), tree.getTypeParameters()).write("> ");
        }
        if (tree.getReturnType() != null) {
            text.carry(code.range(tree.getReturnType())).write(" ");
        }
        text.write(code.text(new Range(start(), name)) + "(");
        List<? extends VariableTree> all = tree.getParameters();
        List<? extends VariableTree> first = all.subList(0, index());
        if (!first.isEmpty()) {
            carry(text, first).write(", ");
        }
        text.write(prefix().isEmpty() || all.isEmpty() ? type + " " : prefix() + type + " ").name(parameter);
        if (isVarArgs()) {
            carry(text.write(", "), all.subList(index(), all.size()));
        }
        text.write(")");
        if (!tree.getThrows().isEmpty()) {
            carry(text.write(" throws "), tree.getThrows());
        }
    }

    private int start() {
        Tokens tokens = code.tokens();
        return tokens.start(tokens.at(name - 1));
    }

    private NewCode carry(NewCode text, List<? extends Tree> list) {
        return text.carry(new Range(code.range(list.get(0)).start(), code.range(list.get(list.size() - 1)).end()));
    }

    /** Of annotations only what the compiler needs: others say that somebody looks for the method by them. */
    private void modifiers(NewCode text, String newLine) {
        for (AnnotationTree annotation : tree.getModifiers().getAnnotations()) {
            String written = code.text(annotation);
            text.write(written.matches("(?s)@(java\\.lang\\.)?(SuppressWarnings|SafeVarargs)\\b.*") ? written + newLine
                    : "");
        }
        Tokens tokens = code.tokens();
        Range range = code.find(tree.getModifiers()).orElse(new Range(0, 0));
        for (int i = tokens.code(tokens.at(range.start())); range.length() > 0
                && tokens.start(i) < range.end(); i = tokens.code(i + 1)) {
            int at = tokens.start(i);
            boolean isAnnotation = tree.getModifiers().getAnnotations().stream()
                    .anyMatch(one -> code.range(one).contains(at));
            text.write(isAnnotation ? "" : tokens.text(i) + " ");
        }
    }
}
