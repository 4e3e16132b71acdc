import { Editor } from '@tiptap/core';
import StarterKit from '@tiptap/starter-kit';

// What typing in our page is held against: an editor of the same family with nothing around it.
declare global {
  interface Window {
    openPost: (html: string) => void;
  }
}

window.openPost = (html) => {
  new Editor({ element: document.getElementById('place')!, extensions: [StarterKit], content: html });
};
