/** What developers run: the pictures of the documentation, and the times that a user waits for. */
package anabion.devtools;
