/** Tests after locking and how they are judged. Start at {@link earlygate.verify.ReturnTest}. */
package earlygate.verify;
